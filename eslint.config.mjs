import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

const BROWSER = [
  'window',
  'document',
  'navigator',
  'localStorage',
  'sessionStorage',
  'fetch',
  'performance',
  'requestAnimationFrame',
  'setTimeout',
  'setInterval',
  'process',
  'Buffer',
  'console',
  'crypto',
];

const REACT = ['src/**/*.tsx', 'src/**/use[A-Z]*.ts'];

/** A unit that is written behind a number by hand: it comes from the table of quantities, with its digits. */
const UNIT = String.raw`/^( (mm|cm|m²|N|N\u002Fm|% RH|ml|ml\u002Fm²|g|g\u002Fm²|kg|°C|°F|Hz|%)|°)(?![\w²\u002F°])/`;
const BY_HAND = 'Print it by its kind: `printed` of core/quantities.';
const NO_UNITS = [
  // A broken contract may name its units: nobody reads it at a bench.
  {
    selector: `TemplateElement[value.raw=${UNIT}]:not(NewExpression[callee.name='RangeError'] TemplateElement)`,
    message: BY_HAND,
  },
  { selector: `JSXExpressionContainer + JSXText[value=${UNIT}]`, message: BY_HAND },
];

export default tseslint.config(
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'data/**', 'test-results/**'] },
  ...tseslint.configs.recommended,
  // Rules of React and of pages, where there are components and hooks.
  ...next.map((config) => (config.rules ? { ...config, files: REACT } : config)),
  { files: REACT, rules: { 'react-hooks/incompatible-library': 'off' } },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      // A shape gives its type a name: `interface BarsInputs extends ShapeOf<…> {}`.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      'max-lines': ['error', { max: 400 }],
      eqeqeq: 'error',
      'no-duplicate-imports': 'error',
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    ignores: ['src/core/units/**', 'src/core/quantities/**', 'src/**/*.test.ts', 'src/**/*.test.tsx'],
    rules: {
      'no-restricted-syntax': ['error', ...NO_UNITS],
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['**/units/numeral'], importNames: ['decimal'], message: BY_HAND }] },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts', 'src/core/units/**', 'src/core/quantities/**'],
    rules: {
      // No clock, no dice, no browser and no Node in the core: time and random source are arguments.
      'no-restricted-globals': ['error', ...BROWSER],
      'no-restricted-syntax': [
        'error',
        ...NO_UNITS,
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'The core takes its random source as an argument.',
        },
        {
          selector:
            "NewExpression[callee.name='Date'][arguments.length=0], MemberExpression[object.name='Date'][property.name='now']",
          message: 'The core takes the time as an argument.',
        },
      ],
    },
  },
);
