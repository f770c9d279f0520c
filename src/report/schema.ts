/* The JSON Schema (2020-12) of the JSON report. `npm run build` writes it to schema/. */

const text = { type: 'string' };
const count = { type: 'integer', minimum: 0 };
const names = { type: 'array', items: text };
const numbers = { type: 'array', items: { type: 'number' } };

const occasion = {
  locale: text,
  theme: text,
  case: text,
  hudSize: { type: 'number', description: "The player's HUD size; 1 is as drawn." },
  textSize: { type: 'number', description: "The player's text size; 1 is as drawn." },
  state: { ...text, description: 'The state every control is in; left out where each is in its own.' },
};

const occurrence = {
  type: 'object',
  required: ['screen', 'locale', 'hudSize', 'textSize', 'measured', 'limit', 'scale'],
  additionalProperties: false,
  properties: {
    screen: text,
    ...occasion,
    measured: { type: ['number', 'null'], description: "In the finding's unit; null where undecided." },
    limit: { type: 'number' },
    scale: { type: 'number', description: 'Device px one u became.' },
  },
};

const finding = {
  type: 'object',
  required: [
    'check',
    'outcome',
    'severity',
    'widget',
    'message',
    'place',
    'pointer',
    'screens',
    'unit',
    'measured',
    'limit',
    'why',
    'occurrences',
  ],
  additionalProperties: false,
  properties: {
    check: text,
    outcome: { enum: ['failed', 'undecided'] },
    severity: { enum: ['error', 'warning'] },
    view: { ...text, description: 'Left out of what concerns the document as it is written.' },
    widget: text,
    other: text,
    message: text,
    place: { ...text, description: 'file:line:column' },
    pointer: { ...text, description: 'JSON Pointer (RFC 6901).' },
    screens: names,
    unit: text,
    measured: { type: ['number', 'null'] },
    limit: { type: 'number' },
    worst: { type: 'object', required: ['screen', 'locale'], properties: { screen: text, ...occasion } },
    why: names,
    suggestion: {
      type: 'object',
      description: 'A change that was tried: it mends the finding on every combination and breaks nothing.',
      required: ['say', 'start', 'end', 'insert', 'mendsToo', 'disturbance'],
      additionalProperties: false,
      properties: {
        say: text,
        start: { ...count, description: 'Offset in the file, in UTF-16 units.' },
        end: count,
        insert: text,
        mendsToo: { type: 'integer', description: 'Other findings that go with it.' },
        onEverySize: { ...text, description: 'With --prove: what becomes of the finding on every size.' },
        disturbance: {
          type: 'object',
          description: 'How much it moves.',
          required: ['widgets', 'u', 'screens'],
          additionalProperties: false,
          properties: {
            widgets: { ...count, description: 'Widgets that move or change their size on the reference.' },
            u: { type: 'number', description: 'By how many u at the most.' },
            screens: { ...count, description: 'Screens on which something moves.' },
          },
        },
      },
    },
    occurrences: { type: 'array', items: occurrence },
  },
};

const checkedFile = {
  type: 'object',
  required: [
    'file',
    'passed',
    'views',
    'screens',
    'locales',
    'coverage',
    'layouts',
    'combinations',
    'findings',
  ],
  additionalProperties: false,
  properties: {
    file: text,
    passed: { type: 'boolean' },
    views: names,
    screens: names,
    cases: names,
    locales: names,
    themes: names,
    hudSizes: numbers,
    textSizes: numbers,
    states: names,
    coverage: { enum: ['all', 'pairs'] },
    layouts: { ...count, description: 'Layouts that were made.' },
    combinations: { ...count, description: 'Layouts there would be of every combination.' },
    looked: {
      type: 'array',
      description: 'Of pairs: what was made.',
      items: { type: 'object', properties: { view: text, ...occasion, screens: names } },
    },
    unsupported: {
      type: 'array',
      description: 'Screens on which a view was not looked at, as it does not support them.',
      items: { type: 'object', properties: { view: text, screens: names } },
    },
    accepted: count,
    findings: { type: 'array', items: finding },
  },
};

const unusableFile = {
  type: 'object',
  required: ['file', 'passed', 'errors'],
  additionalProperties: false,
  properties: {
    file: text,
    passed: { const: false },
    errors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['code', 'severity', 'message', 'file'],
        properties: { code: text, severity: text, message: text, file: text, line: count, column: count },
      },
    },
  },
};

export const reportSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'a report',
  description: 'What `pimbot check --json` prints.',
  type: 'object',
  required: ['pimbot', 'passed', 'files'],
  additionalProperties: false,
  properties: {
    pimbot: { const: 1, description: 'The version of the format.' },
    passed: { type: 'boolean' },
    files: { type: 'array', items: { anyOf: [checkedFile, unusableFile] } },
    proof: {
      type: 'object',
      description: 'With --prove: what `pimbot prove --json` prints (docs/proof.md).',
    },
  },
} as const;
