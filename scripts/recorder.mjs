// Writes src/layout/solver.generated.ts: the solver as it is, with every decision about lengths handed to a recorder (docs/proof.md). It is
// made from the solver's own sources, so that there is one set of rules, and what games run has no trace of it.
import { existsSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const root = fileURLToPath(new URL('..', import.meta.url));
const folder = join(root, 'src', 'layout');
const target = join(folder, 'solver.generated.ts');

/** The files that decide, in an order in which what is used at once stands before who uses it. */
const names = [
  'frame',
  'clamp',
  'shared',
  'definite',
  'free',
  'line',
  'wrap',
  'grid',
  'baseline',
  'carried',
  'parts',
  'solve',
];
/** What these compare are px and device px per u; everything else compares u. */
const inPx = new Set(['frame', 'parts']);

/** Writes the file when one of the sources, or this script, is newer. */
export function writeRecorder({ force = false } = {}) {
  const sources = [fileURLToPath(import.meta.url), join(folder, 'plan.ts'), ...names.map(pathOf)];
  const newest = Math.max(...sources.map((path) => statSync(path).mtimeMs));
  if (!force && existsSync(target) && statSync(target).mtimeMs > newest) return;
  writeFileSync(`${target}.part`, recorded());
  renameSync(`${target}.part`, target);
}

/** @param {string} name */
function pathOf(name) {
  return join(folder, `${name}.ts`);
}

function recorded() {
  const options = {
    ...ts.readConfigFile(join(root, 'tsconfig.json'), (path) => readFileSync(path, 'utf8')).config
      .compilerOptions,
    // What is solved has no pages in it, and an option as it is written is none of the compiler's.
    jsx: undefined,
    jsxImportSource: undefined,
    noEmit: true,
    types: [],
    lib: ['lib.es2023.d.ts'],
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.NodeNext,
    moduleResolution: ts.ModuleResolutionKind.NodeNext,
  };
  const program = ts.createProgram(names.map(pathOf), options);
  const checker = program.getTypeChecker();
  /** @type {Map<string, Set<string>>} what is imported, by where from */
  const imports = new Map();
  /** @type {Set<string>} */
  const declared = new Set();
  /** @type {string[]} */
  const bodies = [];
  const printer = ts.createPrinter({ removeComments: true });
  for (const name of names) {
    const source = program.getSourceFile(pathOf(name));
    if (!source) throw new Error(`src/layout/${name}.ts is not there`);
    const whole = wholeNumbers(source, checker);
    const statements = source.statements.filter((one) => {
      if (!ts.isImportDeclaration(one)) return true;
      const from = /** @type {ts.StringLiteral} */ (one.moduleSpecifier).text;
      if (names.some((other) => from === `./${other}.ts`)) return false;
      const known = imports.get(from) ?? new Set();
      const bindings = one.importClause?.namedBindings;
      if (bindings && ts.isNamedImports(bindings))
        for (const element of bindings.elements)
          known.add(
            one.importClause?.isTypeOnly ? `type ${element.getText(source)}` : element.getText(source),
          );
      imports.set(from, known);
      return false;
    });
    for (const one of statements) {
      const id = 'name' in one && one.name ? /** @type {ts.Identifier} */ (one.name).text : undefined;
      const listed = ts.isVariableStatement(one)
        ? one.declarationList.declarations.map((each) => each.name.getText(source))
        : [];
      for (const own of id === undefined ? listed : [id]) {
        if (declared.has(own)) throw new Error(`two files of src/layout/ declare ${own}`);
        declared.add(own);
      }
      const changed = ts.transform(one, [transformer(checker, whole, inPx.has(name))]).transformed[0];
      bodies.push(printer.printNode(ts.EmitHint.Unspecified, /** @type {ts.Node} */ (changed), source));
    }
  }
  imports.get('./plan.ts')?.add('type Plan');
  const heads = [...imports].map(
    ([from, known]) => `import { ${[...known].sort().join(', ')} } from '${from}';`,
  );
  return [
    '// Written by scripts/recorder.mjs from the solver; not to be changed by hand.',
    ...heads,
    "import type { Decisions } from './decisions.ts';",
    "import type { Frame as SolvedFrame, Reference as SolvedReference } from './frame.ts';",
    '',
    '/** The solver with its decisions handed to a recorder. */',
    'export interface RecordedSolver {',
    '  readonly solve: (plan: Plan, frame: SolvedFrame) => void;',
    '  readonly place: (reference: SolvedReference, screen: Screen, hudSize: number) => SolvedFrame;',
    '}',
    'export function recordedSolver(decisions: Decisions): RecordedSolver {',
    ...bodies,
    'void [weighted, frameOf, markMeasure, markBox, placeInto, scrollTo, scrollRange, referenceOf, referenceOfPart, carriesHeights, carriesWidths];',
    'return { solve, place: (reference, screen, hudSize) => new MutableFrame().place(reference, screen, hudSize) };',
    '}',
    '',
  ].join('\n');
}

/**
 * Says of expressions whether they are whole numbers by construction: counts, indexes and kinds, which no length decides.
 * @param {ts.SourceFile} source @param {ts.TypeChecker} checker
 */
function wholeNumbers(source, checker) {
  const arrays = new Set(['Int32Array', 'Uint8Array', 'Uint16Array', 'Uint32Array']);
  const parameters = new Set(['n', 'child', 'first', 'stop', 'count', 'columns', 'justify']);
  const properties = new Set(['length', 'count', 'columnCount', 'rowCount', 'rowMode']);
  /** @type {Map<ts.Symbol, ts.Expression[]>} */
  const assigned = new Map();
  /** @param {ts.Node} node */
  const collect = (node) => {
    if (ts.isBinaryExpression(node) && ts.isIdentifier(node.left)) {
      const { kind } = node.operatorToken;
      if (kind >= ts.SyntaxKind.FirstAssignment && kind <= ts.SyntaxKind.LastAssignment) {
        const symbol = checker.getSymbolAtLocation(node.left);
        if (symbol) assigned.set(symbol, [...(assigned.get(symbol) ?? []), node.right]);
      }
    }
    ts.forEachChild(node, collect);
  };
  collect(source);
  /** @type {Map<ts.Symbol, boolean>} */
  const known = new Map();
  /** @param {ts.Expression} node @returns {boolean} */
  const isWhole = (node) => {
    if (ts.isParenthesizedExpression(node) || ts.isNonNullExpression(node) || ts.isAsExpression(node))
      return isWhole(node.expression);
    if (ts.isNumericLiteral(node)) return Number.isInteger(Number(node.text));
    if (ts.isPrefixUnaryExpression(node)) return isWhole(node.operand);
    if (ts.isElementAccessExpression(node))
      return arrays.has(checker.getTypeAtLocation(node.expression).symbol?.name ?? '');
    if (ts.isPropertyAccessExpression(node)) return properties.has(node.name.text) && isNumber(node, checker);
    if (ts.isConditionalExpression(node)) return isWhole(node.whenTrue) && isWhole(node.whenFalse);
    if (ts.isBinaryExpression(node)) {
      const bits = [ts.SyntaxKind.AmpersandToken, ts.SyntaxKind.BarToken, ts.SyntaxKind.PercentToken];
      const sums = [ts.SyntaxKind.PlusToken, ts.SyntaxKind.MinusToken, ts.SyntaxKind.AsteriskToken];
      const { kind } = node.operatorToken;
      return bits.includes(kind) || (sums.includes(kind) && isWhole(node.left) && isWhole(node.right));
    }
    if (ts.isCallExpression(node)) {
      const called = node.expression.getText();
      if (called === 'Math.min' || called === 'Math.max') return node.arguments.every(isWhole);
      return /^toNeed\.take|\.take(Highest|Lowest)$/.test(called);
    }
    if (!ts.isIdentifier(node)) return false;
    let symbol = checker.getSymbolAtLocation(node);
    if (symbol && symbol.flags & ts.SymbolFlags.Alias) symbol = checker.getAliasedSymbol(symbol);
    const declaration = symbol?.valueDeclaration;
    if (!symbol || !declaration) return false;
    const before = known.get(symbol);
    if (before !== undefined) return before;
    // Taken for whole while it is found out: what only depends on itself is.
    known.set(symbol, true);
    let whole = false;
    if (ts.isParameter(declaration)) whole = parameters.has(node.text);
    else if (ts.isVariableDeclaration(declaration) && declaration.initializer)
      whole = isWhole(declaration.initializer);
    else if (ts.isBindingElement(declaration)) whole = properties.has(node.text) && isNumber(node, checker);
    else if (ts.isVariableDeclaration(declaration)) {
      // The variable of a `for … of` over indexes.
      const type = checker.getTypeAtLocation(node);
      whole = (type.flags & ts.TypeFlags.NumberLike) !== 0 && node.text === 'n';
    }
    whole = whole && (assigned.get(symbol) ?? []).every(isWhole);
    known.set(symbol, whole);
    return whole;
  };
  return isWhole;
}

/** @param {ts.Node} node @param {ts.TypeChecker} checker */
function isNumber(node, checker) {
  return (checker.getTypeAtLocation(node).flags & ts.TypeFlags.NumberLike) !== 0;
}

/** What each comparison is called by the recorder. @type {{ readonly [kind: number]: string }} */
const comparisons = {
  [ts.SyntaxKind.LessThanToken]: 'less',
  [ts.SyntaxKind.GreaterThanToken]: 'more',
  [ts.SyntaxKind.LessThanEqualsToken]: 'atMost',
  [ts.SyntaxKind.GreaterThanEqualsToken]: 'atLeast',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: 'same',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: 'differs',
};

/**
 * @param {ts.TypeChecker} checker @param {(node: ts.Expression) => boolean} isWhole @param {boolean} px
 * @returns {ts.TransformerFactory<ts.Node>}
 */
function transformer(checker, isWhole, px) {
  return (context) => {
    const { factory } = context;
    /** @param {string} name @param {ts.Expression[]} args @param {boolean} [plain] */
    const call = (name, args, plain = false) =>
      factory.createCallExpression(
        factory.createPropertyAccessExpression(factory.createIdentifier('decisions'), name),
        undefined,
        plain
          ? args
          : [...args, px ? factory.createNumericLiteral(1) : factory.createIdentifier('decisions.unit')],
      );
    /** @param {ts.Node} node @returns {ts.Node | undefined} */
    const visit = (node) => {
      if (node.kind === ts.SyntaxKind.ExportKeyword) return undefined;
      if (ts.isBinaryExpression(node)) {
        const name = comparisons[node.operatorToken.kind];
        const { left, right } = node;
        if (name && isNumber(left, checker) && isNumber(right, checker) && !(isWhole(left) && isWhole(right)))
          return call(name, [expression(left), expression(right)]);
      }
      if (ts.isCallExpression(node)) {
        const called = node.expression.getText();
        const args = node.arguments;
        if ((called === 'Math.max' || called === 'Math.min') && !args.every(isWhole)) {
          const name = called === 'Math.max' ? 'larger' : 'smaller';
          return args.slice(1).reduce((sum, one) => call(name, [sum, expression(one)]), expression(args[0]));
        }
        if (called === 'Math.floor') return floor(args[0]);
        // The one curve of the solver.
        if (called === 'weighted')
          return call(
            'weighted',
            args.map((one) => expression(one)),
            true,
          );
        if (called === 'Math.abs' || called === 'Math.round' || called === 'Math.ceil')
          throw new Error(`the recorder does not know ${called}`);
        if (ts.isPropertyAccessExpression(node.expression) && node.expression.name.text === 'heightInto')
          return call('height', [
            expression(node.expression.expression),
            expression(args[0]),
            factory.createIdentifier('factor'),
          ]);
      }
      return ts.visitEachChild(node, visit, context);
    };
    /** @param {ts.Expression | undefined} node */
    const expression = (node) => /** @type {ts.Expression} */ (ts.visitNode(node, visit));
    /** The floor of a quotient is decided by its two sides. @param {ts.Expression | undefined} argument */
    const floor = (argument) => {
      if (
        argument &&
        ts.isBinaryExpression(argument) &&
        argument.operatorToken.kind === ts.SyntaxKind.SlashToken
      )
        return call('floor', [expression(argument.left), expression(argument.right)]);
      return call('floor', [expression(argument), factory.createNumericLiteral(1)]);
    };
    return (node) => /** @type {ts.Node} */ (ts.visitNode(node, visit));
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) writeRecorder({ force: true });
