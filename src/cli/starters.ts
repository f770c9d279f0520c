/** Documents to start from: each passes every check on every screen of the catalogue. */
export const starters = {
  hud: `# A HUD: readings in the corners, a prompt at the bottom.
pimbot: 1
reference: { size: 1920x1080, scaling: contain, spare: extend }

# Sample values: every view is checked with each of these.
cases:
  typical: { depth: 412, hull: 0.86, station: Kelp Nine }
  worst: { depth: 10994, hull: 0.04, station: Saint Barnacle }

styles:
  plate: { background: "#0b2a33f2", border: "2 #5fc9b8", radius: 10, padding: 20 }
  reading: { color: "#f2fbf9", font-size: 44, font-weight: 700 }
  caption: { color: "#bfe3dc", font-size: 42 }

views:
  dive:
    title: Dive
    backdrop: ["#04202a", "#1d7f8c"]
    padding: 32
    children:
      - id: depth
        anchor: left top
        style: plate
        arrange: column
        children:
          - { kind: text, style: caption, text: Depth }
          - { kind: text, style: reading, text: "{depth, number} m" }
      - id: hull
        anchor: right top
        style: plate
        arrange: column
        gap: 12
        children:
          - { kind: text, style: caption, text: Hull }
          - { kind: meter, value: "{hull}", width: 260, height: 28, look: { background: "#04161b", color: "#ffc75f", radius: 6 } }
      - id: prompt
        anchor: center bottom
        style: plate
        children: [ { kind: text, style: caption, text: "{station} ahead" } ]
`,
  menu: `# A menu: buttons in a column, in the middle of the screen.
pimbot: 1
reference: { size: 1920x1080, scaling: contain, spare: extend, least-millimetres: 0.06 }

components:
  choice:
    params: { says: text }
    kind: button
    text: "{says}"
    width: fill
    height: 128
    style: choice

styles:
  plate: { background: "#0b2a33", border: "2 #5fc9b8", radius: 14, padding: 48 }
  title: { color: "#f2fbf9", font-size: 56, font-weight: 700, text-align: center }
  choice:
    background: "#164e5c"
    color: "#f2fbf9"
    font-size: 42
    radius: 10
    border: "3 #164e5c"
    states:
      hover: { background: "#1d6a7c" }
      focused: { border: "6 #ffc75f" }
      pressed: { background: "#0e3944" }

views:
  harbour:
    title: Harbour
    backdrop: "#04202a"
    children:
      - id: menu
        anchor: center
        width: 640
        style: plate
        arrange: column
        gap: 24
        focus-wrap: true
        children:
          - { kind: text, style: title, text: Fathom Quay, width: fill }
          - { id: dive, use: choice, says: Dive, autofocus: true }
          - { id: sort, use: choice, says: Sort the post }
          - { id: leave, use: choice, says: Leave }
`,
  page: `# A page of text with a heading and a button, as wide as is good to read.
pimbot: 1
reference: { size: 1920x1080, scaling: contain, spare: extend, least-millimetres: 0.06 }

cases:
  typical:
    title: Third day under
    entry: "The lamps of Kelp Nine came up like a row of moons. Ida had the rack sorted before we touched the ring."
  empty: { title: Log, entry: "Nothing written yet." }

styles:
  paper: { background: "#f4ecd8", radius: 10, padding: 48 }
  heading: { color: "#2b2118", font-size: 52, font-weight: 700 }
  body: { color: "#2b2118", font-size: 42, line-height: 1.4 }
  action:
    background: "#2f5f4f"
    color: "#ffffff"
    font-size: 42
    radius: 10
    border: "3 #2f5f4f"
    states:
      hover: { background: "#3c7563" }
      focused: { border: "6 #ffd27a" }
      pressed: { background: "#1f4438" }

views:
  logbook:
    title: Logbook
    backdrop: "#0b2a33"
    children:
      - id: page
        anchor: center
        width: 900
        height: 840
        style: paper
        arrange: column
        gap: 28
        children:
          - { id: title, kind: text, style: heading, text: "{title}", width: fill }
          - { id: entry, kind: text, style: body, text: "{entry}", width: fill, height: fill, look: { align-content: start } }
          - { id: close, kind: button, style: action, text: Close the book, width: fill, height: 128, autofocus: true }
`,
} as const;
export type Starter = keyof typeof starters;
