import { useSignal } from '@preact/signals';
import { useEffect } from 'preact/hooks';
import { parse, stringify } from 'yaml';
import type { InspectorRow, LookRow } from 'pimbot/tools';
import type { Bench } from './bench.ts';
import { anchorWords, round } from './stage-drag.ts';

const groups: { readonly [group: string]: string } = {
  content: 'Content',
  place: 'Place',
  size: 'Size',
  inside: 'What is in it',
  look: 'Look',
  input: 'Input',
  more: 'More',
};

/** Every key of what is selected: what it says, who says it, and a field to change it. */
export function Inspector({ bench }: { readonly bench: Bench }) {
  const rows = bench.rows.value;
  const closeUp = bench.closeUp.value;
  const reach = useSignal<'written' | 'here'>('written');
  const showsAll = useSignal(false);
  const filter = useSignal('');
  const [row] = bench.selected.value;
  useEffect(() => {
    reach.value = 'written';
  }, [row?.id]);
  if (!row || rows.length === 0 || !closeUp)
    return <p class="empty">Select a widget on the stage or in the list.</p>;
  const { px, u } = closeUp;
  const wanted = filter.value.trim().toLowerCase();
  const shown = rows.filter(
    ({ key, value, description }) =>
      (wanted !== '' && (key.includes(wanted) || description.toLowerCase().includes(wanted))) ||
      (wanted === '' && (showsAll.value || value !== undefined || usual.has(key))),
  );
  const inForce = new Map(closeUp.look.map((one) => [one.key, one]));
  const names = [...new Set(shown.map(({ group }) => group))];
  const shared = rows.some(({ from, places }) => places > 1 || from === 'component');
  const places = Math.max(...rows.map((one) => one.places));
  return (
    <div class="inspector">
      <h2>
        {row.id} <span class="quiet">{row.kind}</span>
      </h2>
      <p class="numbers">
        <b>
          {round(u.x)}, {round(u.y)}
        </b>{' '}
        · {round(u.width)} × {round(u.height)} u
        <br />
        <span class="quiet">
          {round(px.x)}, {round(px.y)} · {round(px.width)} × {round(px.height)} px
        </span>
      </p>
      {shared && (
        <fieldset class="reach">
          <legend>Change what a component says</legend>
          <label>
            <input
              type="radio"
              name="reach"
              checked={reach.value === 'written'}
              onChange={() => (reach.value = 'written')}
            />
            everywhere it is used ({places} {places === 1 ? 'place' : 'places'})
          </label>
          <label>
            <input
              type="radio"
              name="reach"
              checked={reach.value === 'here'}
              disabled={!rows.some(({ here }) => here)}
              onChange={() => (reach.value = 'here')}
            />
            here only
          </label>
        </fieldset>
      )}
      <input
        type="search"
        placeholder="Find a key"
        aria-label="Find a key"
        value={filter.value}
        onInput={(event) => (filter.value = event.currentTarget.value)}
      />
      {names.map((group) => (
        <section key={group}>
          <h3>{groups[group]}</h3>
          {shown
            .filter((one) => one.group === group)
            .map((one) => (
              <Row
                key={`${row.id} ${one.key}`}
                bench={bench}
                widget={row.id}
                row={one}
                reach={reach.value}
                inForce={
                  one.key.startsWith(lookPath) ? inForce.get(one.key.slice(lookPath.length)) : undefined
                }
              />
            ))}
        </section>
      ))}
      {wanted === '' && (
        <button type="button" onClick={() => (showsAll.value = !showsAll.value)}>
          {showsAll.value ? 'Only what says something' : `All ${rows.length} keys`}
        </button>
      )}
    </div>
  );
}

/** Keys of a look go by this and their name. */
const lookPath = 'look/';

/** Keys that are shown even where nobody says them. */
const usual: ReadonlySet<string> = new Set([
  'id',
  'anchor',
  'offset',
  'width',
  'height',
  'style',
  'look/background',
  'look/color',
  'arrange',
  'text',
  'image',
]);

function Row({
  bench,
  widget,
  row,
  reach,
  inForce,
}: {
  readonly bench: Bench;
  readonly widget: string;
  readonly row: InspectorRow;
  readonly reach: 'written' | 'here';
  /** Of a key of a look: what holds, and by whom, where the widget itself says nothing. */
  readonly inForce: LookRow | undefined;
}) {
  const { key, title, description, field, value, from, line } = row;
  const written =
    value === undefined
      ? ''
      : typeof value === 'string'
        ? value
        : stringify(value, { flowCollectionPadding: true, collectionStyle: 'flow', lineWidth: 0 }).trim();
  const set = (next: unknown) => void bench.act({ do: 'set', widget, key, value: next as never, reach });
  const typed = (text: string) => {
    if (text === written) return;
    if (text.trim() === '') return set(undefined);
    // Tied to another place it stays where it is.
    if (key === 'anchor' && reach === 'written') return void bench.act({ do: 'anchor', widget, to: text });
    const [selected] = bench.selected.value;
    if (key === 'pivot' && reach === 'written' && selected?.anchor)
      return void bench.act({ do: 'anchor', widget, to: anchorWords(selected.anchor), pivot: text });
    set(valueOf(text));
  };
  const id = `key-${key.replace('/', '-')}`;
  const other = value === undefined && inForce ? inForce : undefined;
  const tokens = field.type === 'color' ? field.choices : [];
  const said = written === '' ? (other?.value ?? '') : written;
  const hex =
    field.type === 'color' ? hexOf(tokens.find(({ name }) => name === said)?.value ?? said) : undefined;
  const says = [description, title === undefined ? '' : `${title[0]!.toUpperCase()}${title.slice(1)}.`]
    .filter(Boolean)
    .join(' ');
  return (
    <div class={value === undefined ? 'key unsaid' : 'key'}>
      <label for={id} title={says}>
        {key.replace(lookPath, '')}
        {from !== undefined && <span class="from"> {from}</span>}
        {other && <span class="from"> {other.by}</span>}
      </label>
      <span class="field">
        {field.type === 'choice' && (
          <select id={id} value={written} onChange={(event) => typed(event.currentTarget.value)}>
            <option value="">–</option>
            {field.choices.map((choice) => (
              <option key={choice} value={choice}>
                {choice}
              </option>
            ))}
          </select>
        )}
        {field.type === 'switch' && (
          <select
            id={id}
            value={written}
            onChange={(event) =>
              set(event.currentTarget.value === '' ? undefined : event.currentTarget.value === 'true')
            }
          >
            <option value="">–</option>
            <option value="true">true</option>
            <option value="false">false</option>
          </select>
        )}
        {field.type === 'number' && (
          <input
            id={id}
            type="number"
            min={field.least}
            max={field.most}
            step="any"
            value={written}
            onChange={(event) => typed(event.currentTarget.value)}
          />
        )}
        {field.type === 'color' && (
          <input
            type="color"
            class={hex === undefined ? 'swatch unset' : 'swatch'}
            aria-label={`Pick ${key.replace(lookPath, '')}`}
            value={hex ?? '#000000'}
            onChange={(event) => typed(event.currentTarget.value)}
          />
        )}
        {(field.type === 'text' || field.type === 'color') && (
          <>
            <input
              id={id}
              placeholder={other?.value}
              list={`${id}-list`}
              value={written}
              spellcheck={false}
              onChange={(event) => typed(event.currentTarget.value)}
            />
            <datalist id={`${id}-list`}>
              {(field.type === 'color' ? tokens.map(({ name }) => name) : field.choices).map((choice) => (
                <option key={choice} value={choice} />
              ))}
            </datalist>
          </>
        )}
        {value !== undefined && key !== 'id' && (
          <button
            type="button"
            class="reset"
            aria-label={`Take ${key} out`}
            title={from === undefined ? 'Take it out' : `Take it out of the ${from}`}
            onClick={() => set(undefined)}
          >
            ✕
          </button>
        )}
      </span>
      {tokens.length > 0 && (
        <span class="chips" role="group" aria-label={`Tokens for ${key.replace(lookPath, '')}`}>
          {tokens.map(({ name, value: color }) => (
            <button
              key={name}
              type="button"
              class={name === said ? 'chip is-said' : 'chip'}
              style={{ background: color }}
              title={name}
              aria-label={`Use ${name}`}
              aria-pressed={name === said}
              onClick={() => typed(name)}
            />
          ))}
        </span>
      )}
      {line !== undefined && (
        <button
          type="button"
          class="line"
          title={`Show line ${line}`}
          aria-label={`${key} is on line ${line}`}
          onClick={() => bench.showLine(line)}
        >
          {line}
        </button>
      )}
    </div>
  );
}

/** A colour as a swatch shows it, in six digits; undefined where it is a gradient or none. */
function hexOf(text: string): string | undefined {
  if (!CSS.supports('color', text)) return undefined;
  const context = document.createElement('canvas').getContext('2d')!;
  context.fillStyle = text;
  const { fillStyle } = context;
  if (typeof fillStyle !== 'string') return undefined;
  const parts = /^rgba?\((\d+), (\d+), (\d+)/.exec(fillStyle);
  return parts
    ? `#${parts
        .slice(1)
        .map((part) => Number(part).toString(16).padStart(2, '0'))
        .join('')}`
    : fillStyle.slice(0, 7);
}

/** What somebody typed, as YAML reads it; the text itself where it reads as none. */
function valueOf(text: string): unknown {
  // A colour is no comment.
  if (/(^|\s)#/.test(text)) return text;
  try {
    const value: unknown = parse(text);
    return value === null ? text : value;
  } catch {
    return text;
  }
}
