// `npm run fuzz -- --cases N --seed S`: documents, fonts, pictures, catalogs, themes and tokens that went wrong by chance; each is refused with sentences or laid out.
// N files of each kind, fifty times as many small documents and a fortieth of the large one.
import { join } from 'node:path';
import { calledWith, root, run } from './setup.mjs';

const { values } = calledWith({
  options: { cases: { type: 'string', default: '400' }, seed: { type: 'string' } },
});
const args = ['tests/document/mutations', 'tests/reliability/files', '--count', values.cases];
if (values.seed !== undefined) args.push('--seed', values.seed);
process.exitCode = run(process.execPath, [join(root, 'scripts', 'deep.mjs'), ...args]);
