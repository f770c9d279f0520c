import type { ToldAt } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { round } from './stage-drag.ts';

/** Why a widget is where it is and looks as it does, what is around it, and how large it is on every screen. */
export function Why({ bench }: { readonly bench: Bench }) {
  const closeUp = bench.closeUp.value;
  if (!closeUp) return <p class="empty">Select a widget to see why it is where it is.</p>;
  const { file } = bench.place.value;
  const link = (told: ToldAt) =>
    told.line === undefined ? null : told.file === file ? (
      <button
        type="button"
        class="line"
        aria-label={`Show line ${told.line}`}
        onClick={() => bench.showLine(told.line!)}
      >
        {told.line}
      </button>
    ) : (
      <span class="elsewhere">
        {told.file?.split('/').at(-1)}:{told.line}
      </span>
    );
  const sides = ['left', 'top', 'right', 'bottom'] as const;
  const least = bench.sizes.value.filter(({ px }) => px !== undefined);
  const widest = Math.max(1, ...least.map(({ millimetres }) => millimetres ?? 0));
  return (
    <div class="why">
      <h2>
        {closeUp.widget} <span class="quiet">on {closeUp.screen}</span>
      </h2>
      {closeUp.reasons.map(({ what, steps }) => (
        <section key={what}>
          <h3>{what}</h3>
          <ol>
            {steps.map((step, at) => (
              <li key={at}>
                {step.text} {link(step)}
              </li>
            ))}
          </ol>
        </section>
      ))}
      <section>
        <h3>Distances in u</h3>
        <table>
          <thead>
            <tr>
              <th>to</th>
              {sides.map((side) => (
                <th key={side}>{side}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {(['parent', 'safe', 'screen'] as const).map((to) => (
              <tr key={to}>
                <th>{to === 'safe' ? 'safe area' : to}</th>
                {sides.map((side) => (
                  <td key={side}>
                    {round(closeUp.distances.find((one) => one.to === to && one.side === side)?.u ?? 0)}
                  </td>
                ))}
              </tr>
            ))}
            <tr>
              <th>neighbour</th>
              {sides.map((side) => {
                const found = closeUp.distances.find((one) => one.to === 'neighbour' && one.side === side);
                return (
                  <td key={side} title={found?.name}>
                    {found ? round(found.u) : '–'}
                  </td>
                );
              })}
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h3>Look</h3>
        {closeUp.look.length === 0 && <p class="quiet">Nothing says anything of its look.</p>}
        <dl>
          {closeUp.look.map((row) => (
            <div key={row.key}>
              <dt>{row.key}</dt>
              <dd>
                <code>{row.value}</code> <span class="quiet">{row.by}</span> {link(row)}
              </dd>
            </div>
          ))}
        </dl>
      </section>
      <section>
        <h3>Shorter side on the glass, in mm</h3>
        <ul class="bars">
          {least.map(({ screen, millimetres = 0 }) => (
            <li key={screen}>
              <button type="button" onClick={() => bench.go({ screen })}>
                {screen}
              </button>
              <span class="bar" style={{ width: `${(millimetres / widest) * 90}px` }} />
              {millimetres.toFixed(1)}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
