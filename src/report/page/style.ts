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
.stage { position: relative; isolation: isolate; display: block; margin: 0 auto; overflow: hidden; border-radius: 4px; border: 1px solid var(--line); background: #000; }
.shot .stage { max-height: 220px; }
.stage img { display: block; width: 100%; height: 100%; }
.stage i { position: absolute; border: 2px solid var(--mark); min-width: 6px; min-height: 6px; outline: 1px solid #fff; box-shadow: 0 0 0 2px #000, inset 0 0 0 1px #000; font-style: normal; }
.stage i b { position: absolute; left: 0; top: 0; transform: translate(-45%, -45%); z-index: 1; min-width: 18px; height: 18px; padding: 0 4px; border-radius: 9px; background: #b3211c; color: #fff; font: 700 11px/18px system-ui; text-align: center; outline: 1px solid #fff; }
.stage i.warning b, .stage i.open b { border-radius: 3px; background: #5c4300; }
.shot .stage i b { min-width: 14px; height: 14px; padding: 0 3px; font-size: 9px; line-height: 14px; }
.number { display: inline-block; min-width: 26px; padding: 0 6px; border-radius: 11px; background: #b3211c; color: #fff; font-weight: 700; font-size: 13px; text-align: center; }
.warning .number, .open .number { border-radius: 4px; background: #f2c14e; color: #241800; }
.stage em { position: absolute; left: 0; bottom: 0; z-index: 2; padding: 1px 6px; background: #000; color: #fff; font: 12px system-ui; }
.cause, .shot { content-visibility: auto; contain-intrinsic-size: auto 180px; }
.cause { list-style: none; margin: 0 0 8px; padding: 0; border-left: 2px solid var(--line); display: grid; gap: 2px; }
.what { margin: 8px 0 4px; color: var(--soft); }
.cause li { background: none; border: 0; padding: 0; }
.cause ul { list-style: none; margin: 2px 0 0; padding: 0 0 0 12px; display: grid; gap: 2px; }
.cause summary { cursor: pointer; padding: 2px 8px; color: var(--soft); }
.row { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 10px; align-items: start; width: 100%; text-align: left; background: none; border: 0; border-radius: 4px; padding: 5px 10px; cursor: pointer; }
.row:hover { background: var(--raised); }
.row small { display: block; color: var(--soft); font-size: 13px; }
.sr { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
input[type='search'] { background: var(--raised); border: 1px solid var(--line); border-radius: 6px; padding: 4px 8px; color: var(--tones); width: 160px; }
label[hidden] { display: none; }
li.meant { outline: 2px solid var(--focus); }
@media print { :root { color-scheme: light; --ground: #fff; --raised: #fff; --line: #999; --tones: #000; --soft: #333; --bad: #a40000; --doubt: #6a4b00; --good: #064; } header { position: static; } form { display: none; } .shot, .cause li { break-inside: avoid; } }
@media (forced-colors: active) { .stage i, .number, .stage i b { forced-color-adjust: none; } }
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
#large { display: grid; grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr); gap: 16px; align-items: start; }
dialog .stage { max-height: 76vh; max-width: 100%; position: sticky; top: 0; }
#large ol { margin: 0; }
@media (max-width: 900px) { #large { grid-template-columns: 1fr; } dialog .stage { position: relative; isolation: isolate; max-height: 50vh; } }
.keys { display: flex; gap: 8px; }
.keys button { background: var(--raised); border: 1px solid var(--line); border-radius: 6px; padding: 4px 12px; cursor: pointer; }
.none { color: var(--soft); } .unsupported { margin-top: 18px; }
[aria-label='Files that were not used'] { margin-bottom: 26px; }
`;
