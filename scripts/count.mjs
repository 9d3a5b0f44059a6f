/* Lines of code and of tests; tests should be a quarter to a third of the sum. */
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import './bootstrap.mjs';

const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', '*.ts', '*.tsx', '*.mjs', '*.css', '*.sql'], {
  encoding: 'utf8',
})
  .trim()
  .split('\n')
  .filter((file) => existsSync(file));
const isTest = (file) => /(\.test|\/test[A-Z]\w*)\.tsx?$/.test(file) || file.startsWith('e2e/');
const lines = (file) => readFileSync(file, 'utf8').split('\n').length - 1;
/** Neither blank nor comment alone. */
const code = (file) =>
  readFileSync(file, 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '' && !/^\s*(\/\/|\/\*|\*|--)/.test(line)).length;

for (const [name, count] of [
  ['all lines', lines],
  ['code lines', code],
]) {
  const sum = (group) => group.reduce((total, file) => total + count(file), 0);
  const tests = sum(files.filter(isTest));
  const source = sum(files.filter((file) => !isTest(file)));
  console.log(`${name}: ${source} source, ${tests} tests, tests ÷ all = ${((100 * tests) / (tests + source)).toFixed(1)} %`);
}
