/** The look of the page; colours pass 4.5:1 on what they stand on. */
export const pageStyle = `
:root { color-scheme: dark; --ground: #10181d; --raised: #1a252c; --line: #3a4d57; --tones: #eef4f6; --soft: #b4c4cb; --bad: #ff7d73; --doubt: #ffd166; --good: #86e0a3; --mark: #ff4d5e; --focus: #7fd8ff; }
* { box-sizing: border-box; }
body { margin: 0; background: var(--ground); color: var(--tones); font: 15px/1.45 system-ui, sans-serif; }
header { position: sticky; top: 0; z-index: 2; background: var(--ground); border-bottom: 1px solid var(--line); padding: 12px 20px; }
h1 { font-size: 20px; margin: 0 0 10px; display: flex; gap: 12px; align-items: baseline; flex-wrap: wrap; }
h1 small { font-size: 14px; font-weight: 400; color: var(--soft); }
.bad { color: var(--bad); } .doubt { color: var(--doubt); } .good { color: var(--good); }
form { display: flex; gap: 12px 16px; flex-wrap: wrap; align-items: center; margin: 0; }
label { display: inline-flex; gap: 7px; align-items: center; color: var(--soft); }
select, input, button { font: inherit; color: inherit; }
select { background: var(--raised); border: 1px solid var(--line); border-radius: 6px; padding: 4px 8px; color: var(--tones); max-width: 220px; }
:focus-visible { outline: 3px solid var(--focus); outline-offset: 2px; }
main { padding: 16px 20px 40px; }
h2 { font-size: 18px; margin: 26px 0 4px; }
h2:first-child { margin-top: 0; }
.grid { display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 16px; align-items: end; }
.shot { padding: 0; border: 0; background: none; text-align: left; cursor: pointer; border-radius: 6px; width: 100%; }
.stage { position: relative; display: block; margin: 0 auto; overflow: hidden; border-radius: 4px; border: 1px solid var(--line); background: #000; }
.shot .stage { max-height: 220px; }
.stage img { display: block; width: 100%; height: 100%; }
.stage i { position: absolute; border: 2px solid var(--mark); min-width: 6px; min-height: 6px; }
.stage i.warning { border-style: dashed; border-color: var(--doubt); }
.stage i.open { border-style: dotted; border-color: var(--doubt); }
.stage i.off { width: 22px; height: 22px; margin: -11px 0 0 -11px; border-radius: 50%; background: #000c; color: #fff; font: 700 14px/18px system-ui; text-align: center; font-style: normal; }
.kind { font-size: 13px; font-weight: 600; color: var(--bad); }
li.warning .kind, li.open .kind { color: var(--doubt); }
.go { margin-top: 6px; background: none; border: 1px solid var(--line); border-radius: 6px; padding: 3px 10px; cursor: pointer; color: var(--focus); }
.name { display: flex; justify-content: space-between; gap: 8px; padding: 5px 2px; font-size: 14px; }
.name span { white-space: nowrap; font-weight: 600; }
ol { list-style: none; margin: 8px 0 0; padding: 0; display: grid; gap: 10px; }
li { background: var(--raised); border-left: 4px solid var(--bad); border-radius: 4px; padding: 9px 13px; overflow-wrap: anywhere; }
li.open, li.warning { border-left-color: var(--doubt); }
li p { margin: 3px 0 0; color: var(--soft); font-size: 14px; }
li p.try { color: var(--good); }
code { font: 13px/1.4 ui-monospace, monospace; color: var(--soft); }
dialog { background: var(--ground); color: var(--tones); border: 1px solid var(--line); border-radius: 10px; padding: 16px 20px; width: min(1180px, 96vw); max-height: 94vh; }
dialog::backdrop { background: #000b; }
dialog header { position: static; display: flex; justify-content: space-between; align-items: center; gap: 16px; padding: 0 0 12px; border: 0; }
dialog h2 { margin: 0; }
dialog .stage { max-height: 62vh; max-width: 100%; }
.keys { display: flex; gap: 8px; }
.keys button { background: var(--raised); border: 1px solid var(--line); border-radius: 6px; padding: 4px 12px; cursor: pointer; }
.none { color: var(--soft); }
`;
