import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** A text that somebody may read, and where it is written. */
export type ScreenText = { readonly where: string; readonly text: string };

const isWords = (text: string) => /[A-Za-z]/.test(text) && /\s/.test(text.trim());
/** What a node says to a reader; null when it says nothing. The figures within a template are left out. */
function textOf(node: ts.Node): string | null {
  if (ts.isImportDeclaration(node.parent ?? node) || ts.isExportDeclaration(node.parent ?? node))
    return null;
  if (ts.isJsxText(node) || ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node))
    return node.text;
  if (ts.isTemplateExpression(node))
    return [node.head.text, ...node.templateSpans.map((s) => s.literal.text)].join(' … ');
  return null;
}

/** Every text of more than one word in the sources below these folders, tests and demo data left out. */
export function textsBelow(root: string, folders: readonly string[]): ScreenText[] {
  const found: ScreenText[] = [];
  for (const folder of folders)
    for (const name of readdirSync(join(root, folder), { recursive: true }) as string[]) {
      if (!/\.tsx?$/.test(name) || /\.test\.|testing\//.test(name)) continue;
      const file = join(folder, name);
      const source = ts.createSourceFile(
        file,
        readFileSync(join(root, file), 'utf8'),
        ts.ScriptTarget.Latest,
        true,
        name.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
      );
      const visit = (node: ts.Node): void => {
        const text = textOf(node);
        if (text !== null && isWords(text)) {
          const { line } = source.getLineAndCharacterOfPosition(node.getStart());
          found.push({ where: `${file}:${line + 1}`, text: text.replace(/\s+/g, ' ').trim() });
        }
        ts.forEachChild(node, visit);
      };
      visit(source);
    }
  return found;
}
