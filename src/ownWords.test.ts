/* No word that `docs/words.md` gives up stands on a screen, in print or in an error. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const ROOT = join(import.meta.dirname, '..');
const rows = readFileSync(join(ROOT, 'docs/words.md'), 'utf8')
  .split('\n')
  .flatMap((line): [say: string, not: string][] => {
    const [, say, not] = /^\| (.+?) \| (.+?) \|$/.exec(line) ?? [];
    return say && not && say !== 'say' && say !== '---' ? [[say, not]] : [];
  });

/** Everything in a file that a reader may see: texts of elements, strings and templates; no comment, no name. */
function texts(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxText(node) || ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node))
      found.push(node.text.replace(/\s+/g, ' ').trim());
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

describe('the words of the screens', () => {
  const seen = readdirSync(join(ROOT, 'src'), { recursive: true, encoding: 'utf8' })
    // Tests say what they like; what earlier versions wrote keeps its words.
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|(^|\/)test[A-Z]|core\/file\/|server\/demo\//.test(file))
    .flatMap((file) => texts(join(ROOT, 'src', file)).map((text) => ({ file, text })));

  it('are read from every file that has some', () => {
    expect(rows.length).toBeGreaterThan(50);
    expect(seen.length).toBeGreaterThan(5000);
    expect(seen.some(({ text }) => text === 'Add to stock')).toBe(true);
  });

  it.each(rows)('“%s”, never “%s”', (_say, not) => {
    expect(seen.filter(({ text }) => text.includes(not)).map(({ file, text }) => `${file}: ${text}`)).toEqual([]);
  });
});
