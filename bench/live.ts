import {
  LiveDrawing,
  LiveView,
  ViewInput,
  makeScreen,
  openView,
  readDocument,
  type DocumentSource,
} from 'pimbot';
import { bundledFonts } from 'pimbot/node';

/** One thing a game does to a view, and a page to the same tree: both are asked for places afterwards. */
export interface LiveRace {
  readonly name: string;
  ours(turn: number): void;
  /** Script of a page: `round` counts, `$` finds an element by its id. */
  readonly theirs: string;
}

const screen = makeScreen({ width: 2560, height: 1080 });
const markers = 212;

/** Buttons with something in them, and what of them is bound. */
const within: Readonly<Record<number, object>> = {
  9: { look: { opacity: '{pale}' } },
  10: { visible: '{seen}' },
  11: { rotate: '{turned}' },
  12: { z: '{high}' },
  13: { look: { scale: '{grown}' } },
};

/** A view of `count` buttons, and the same in HTML. */
export function buttons(count: number): { source: DocumentSource; html: string } {
  const places = Array.from(
    { length: count },
    (_, nth) => [(nth % 40) * 60, Math.floor(nth / 40) * 40] as const,
  );
  const children = places.map(([x, y], nth) => ({
    id: `b${nth}`,
    kind: 'button' as const,
    style: 'key',
    size: [56, 36],
    offset: nth === 3 ? ['{x}', y] : [x, y],
    ...(nth === 4 && { look: { opacity: '{fade}' } }),
    ...(within[nth] && { ...within[nth], children: [{ id: `in${nth}`, size: 10, style: 'key' }] }),
    ...(nth === 8 && { gone: '{gone}' as never }),
  }));
  const more = [{ id: 'slot', repeat: '{list}', key: 'name', size: 10 }];
  const cases = {
    only: {
      x: 1,
      fade: 1,
      pale: 1,
      seen: true,
      turned: 0,
      high: 0,
      grown: 1,
      gone: false,
      list: [{ name: 'a' }],
    },
  };
  const styles = { key: { background: '#123456', states: { hover: { background: '#345678' } } } };
  const source = {
    pimbot: 1,
    reference: { scaling: 'none' },
    styles,
    cases,
    views: { bench: { children: [...children, ...more] } },
  } as DocumentSource;
  const html = places
    .map(
      ([x, y], nth) =>
        `<div id="b${nth}" class="key" style="position:absolute;left:${x}px;top:${y}px;width:56px;height:36px">${within[nth] ? '<div class="key" style="width:10px;height:10px"></div>' : ''}</div>`,
    )
    .join('');
  const rules = '<style>.key{background:#123456}.key.hover{background:#345678}</style>';
  return { source, html: `${rules}${html}` };
}

export function viewOf(source: DocumentSource): LiveView {
  const { document, diagnostics } = readDocument(source);
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  return new LiveView(openView(document, 'bench', { resources: { fonts: bundledFonts() } }), screen);
}

/** What is raced on a view of so many buttons. Ours has its draw list brought up to date, theirs its style and layout. */
export function liveRaces(count: number): { html: string; races: LiveRace[] } {
  const { source, html } = buttons(count);
  const live = viewOf(source);
  const drawing = new LiveDrawing(live);
  const shown = `$('b2').getBoundingClientRect().left + getComputedStyle($('b2')).opacity.length`;
  const two = [{ name: 'a' }, { name: 'b' }];
  const input = new ViewInput(live);
  const pointer = (x: number, y: number) => input.hear({ type: 'move', pointer: 1, device: 'mouse', x, y });
  // The page does what the view does: finds what lies there, tells it, and shows that it is hovered.
  const heard = (x: string) =>
    `const one = document.elementFromPoint(${x}, 10); one.dispatchEvent(new PointerEvent('pointermove', { bubbles: true })); for (const old of document.querySelectorAll('.hover')) if (old !== one) old.classList.remove('hover'); one.classList.add('hover'); getComputedStyle(one).backgroundColor`;
  const races: LiveRace[] = (
    [
      {
        name: 'a hover',
        ours: (turn) => live.setStates('b2', turn % 2 === 0 ? ['hover'] : []),
        theirs: `$('b2').classList.toggle('hover'); getComputedStyle($('b2')).backgroundColor; ${shown}`,
      },
      {
        name: 'a pointer from one button to another',
        ours: (turn) => pointer(turn % 2 === 0 ? 10 : 370, 10),
        theirs: heard('round % 2 ? 10 : 370'),
      },
      {
        name: 'a pointer over the same button',
        ours: (turn) => pointer(310 + (turn % 30), 10),
        theirs: heard('310 + round % 30'),
      },
      {
        name: 'an arrow key moves the focus',
        ours: (turn) => input.hear({ type: 'key-down', key: turn % 2 === 0 ? 'ArrowRight' : 'ArrowLeft' }),
        theirs: `const one = $(round % 2 ? 'b0' : 'b1'); if (one.tabIndex !== 0) one.tabIndex = 0; one.focus(); getComputedStyle(one).outlineStyle`,
      },
      {
        name: 'a moved offset',
        ours: (turn) => live.set({ x: turn % 100 }),
        theirs: `$('b3').style.left = round % 100 + 'px'; $('b3').getBoundingClientRect().left; ${shown}`,
      },
      {
        name: 'a faded opacity',
        ours: (turn) => live.set({ fade: (turn % 100) / 100 }),
        theirs: `$('b4').style.opacity = (round % 100) / 100; getComputedStyle($('b4')).opacity; ${shown}`,
      },
      {
        name: 'a widget that fades with what is in it',
        ours: (turn) => live.set({ pale: 0.2 + (turn % 50) / 100 }),
        theirs: `$('b9').style.opacity = 0.2 + (round % 50) / 100; getComputedStyle($('b9')).opacity; ${shown}`,
      },
      {
        name: 'a widget that is seen or not, with what is in it',
        ours: (turn) => live.set({ seen: turn % 2 === 0 }),
        theirs: `$('b10').style.visibility = round % 2 ? '' : 'hidden'; getComputedStyle($('b10')).visibility; ${shown}`,
      },
      {
        name: 'a widget that turns, with what is in it',
        ours: (turn) => live.set({ turned: 1 + (turn % 50) }),
        theirs: `$('b11').style.rotate = 1 + round % 50 + 'deg'; $('b11').getBoundingClientRect().left; ${shown}`,
      },
      {
        name: 'a widget that grows, with what is in it',
        ours: (turn) => live.set({ grown: 1 + (1 + (turn % 50)) / 100 }),
        theirs: `$('b13').style.scale = 1.01 + (round % 50) / 100; $('b13').getBoundingClientRect().left; ${shown}`,
      },
      {
        name: 'a widget that rises above all others',
        ours: (turn) => live.set({ high: turn % 2 }),
        theirs: `$('b12').style.zIndex = round % 2; getComputedStyle($('b12')).zIndex; ${shown}`,
      },
      {
        name: 'a widget that is gone and back',
        ours: (turn) => live.set({ gone: turn % 2 === 0 }),
        theirs: `$('b8').style.display = round % 2 ? '' : 'none'; $('b9').getBoundingClientRect().left; ${shown}`,
      },
      {
        name: 'an entry that comes and goes',
        ours: (turn) => live.set({ list: turn % 2 === 0 ? two : two.slice(0, 1) }),
        theirs: `if (round % 2) document.getElementById('new').remove(); else { const one = document.createElement('div'); one.id = 'new'; one.style.cssText = 'position:absolute;width:10px;height:10px'; $('b0').parentNode.append(one); }; ${shown}`,
      },
    ] satisfies LiveRace[]
  ).map(({ name, ours, theirs }) => ({
    name: `${name}, ${count} widgets`,
    ours: (turn: number) => {
      ours(turn);
      drawing.update();
    },
    theirs,
  }));
  return { html, races };
}

/** Markers that all move in every frame. */
export function markerRace(): { html: string; race: LiveRace } {
  const all = Array.from({ length: markers }, (_, nth) => nth);
  const live = viewOf({
    pimbot: 1,
    reference: { scaling: 'none' },
    cases: {
      only: Object.fromEntries(
        all.flatMap((nth) => [
          [`x${nth}`, nth],
          [`y${nth}`, nth],
        ]),
      ),
    },
    views: {
      bench: {
        children: all.map((nth) => ({
          id: `m${nth}`,
          size: 8,
          offset: [`{x${nth}}`, `{y${nth}}`],
          look: { background: '#ffcc00' },
        })),
      },
    },
  });
  const drawing = new LiveDrawing(live);
  const values: Record<string, number> = {};
  return {
    html: all
      .map((nth) => `<div id="m${nth}" style="position:absolute;width:8px;height:8px;left:${nth}px"></div>`)
      .join(''),
    race: {
      name: `${markers} widgets whose bound places all change`,
      ours(turn) {
        for (const nth of all) {
          values[`x${nth}`] = (turn * 3 + nth) % 900;
          values[`y${nth}`] = (turn * 5 + nth) % 900;
        }
        live.set(values);
        drawing.update();
      },
      theirs: `for (let n = 0; n < ${markers}; n++) { const s = $('m' + n).style; s.left = (round * 3 + n) % 900 + 'px'; s.top = (round * 5 + n) % 900 + 'px'; }; $('m5').getBoundingClientRect().left`,
    },
  };
}

const entries = 200;

/** A list of which a few entries are seen, turned by a wheel. */
export function listRace(): { html: string; race: LiveRace } {
  const rows = Array.from({ length: entries }, (_, nth) => ({ name: `Parcel ${nth}` }));
  const row = { id: 'row', repeat: '{rows}', height: 48, width: 'fill', look: { background: '#123456' } };
  const live = viewOf({
    pimbot: 1,
    reference: { scaling: 'none' },
    cases: { only: { rows } },
    views: {
      bench: {
        children: [
          {
            id: 'list',
            size: [400, 480],
            scroll: 'y',
            arrange: 'column',
            children: [{ ...row, children: [{ kind: 'text', text: '{name}' }] }],
          },
        ],
      },
    },
  });
  const drawing = new LiveDrawing(live);
  const within = 'width:400px;height:480px;overflow:hidden';
  const lines = rows.map(({ name }) => `<div style="height:48px;background:#123456">${name}</div>`).join('');
  return {
    html: `<div id="list" style="${within}">${lines}</div>`,
    race: {
      name: `a list of ${entries} entries that is scrolled`,
      ours(turn) {
        live.scroll('list', 0, (turn * 7) % 9000);
        drawing.update();
      },
      theirs: `$('list').scrollTop = (round * 7) % 9000; $('list').lastChild.getBoundingClientRect().top`,
    },
  };
}
