import { LiveView, openView, type InputEffect, type InputEvent } from 'pimbot';
import { mount } from 'pimbot/browser';
import { loadProject } from './project.ts';
import { pages } from './pages/index.ts';

/** What was heard and what came of it: the same events give the same effects anywhere. */
export interface Recording {
  readonly screen: { readonly width: number; readonly height: number };
  readonly steps: { readonly event: InputEvent; readonly effects: readonly InputEffect[] }[];
}

const parameters = new URLSearchParams(location.search);
const asked = parameters.get('page') ?? 'card';
const name = asked in pages ? asked : 'card';
const { document: checked, resources } = await loadProject('./answers.yaml');
const canvas = document.querySelector('canvas')!;
const links = Object.keys(pages).map((page) => {
  const link = document.createElement('a');
  link.href = `?page=${page}`;
  link.textContent = page;
  if (page === name) link.setAttribute('aria-current', 'page');
  return link;
});
document.querySelector('nav')!.append(...links);

const live = new LiveView(openView(checked, name, { resources }), { width: 1280, height: 720 });
const { input, unmount, frame } = mount(canvas, live, {
  deviceValue: 'device',
  // With `still` time goes by only when somebody says so: tests do not depend on how fast a machine is.
  loop: !parameters.has('still'),
});
pages[name]!({ live, input });

const { width, height } = live.frame.screen;
const recording: Recording = { screen: { width, height }, steps: [] };
const hear = input.hear.bind(input);
input.hear = (event) => {
  const effects = hear(event);
  recording.steps.push({ event, effects });
  return effects;
};
canvas.focus();
Object.assign(window, { played: { live, input, recording, unmount, frame } });
document.body.dataset.ready = 'yes';
