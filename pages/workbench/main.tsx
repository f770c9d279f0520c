import { render } from 'preact';
import { App } from './app.tsx';
import { Bench } from './bench.ts';
import './workbench.css';

const token = new URLSearchParams(location.search).get('token') ?? '';
const bench = new Bench(token);
// For tests and whoever measures: what the page knows, read only.
Object.assign(window, { bench });

window.addEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey)) return;
  const key = event.key.toLowerCase();
  // An editor and fields have their own.
  const types = event.target instanceof Element && event.target.closest('.cm-editor, input') !== null;
  if (key === 's') {
    event.preventDefault();
    bench.save();
  } else if (!types && (key === 'z' || key === 'y')) {
    event.preventDefault();
    bench.step(key === 'y' || event.shiftKey ? 'redo' : 'undo');
  }
});
window.addEventListener('beforeunload', (event) => {
  if (bench.drafts.unsaved.value || bench.drafts.left.value.length > 0) event.preventDefault();
});

render(<App bench={bench} />, document.getElementById('app')!);
bench.start().catch((error: unknown) => bench.say('wrong', (error as Error).message));
