import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import leaveOutStyles from './leaveOutStyles.mjs';

const KIT = path.join(__dirname, '..', '..', 'node_modules', 'antd', 'es');

const styles = readdirSync(KIT)
  .map((part) => path.join(KIT, part, 'style', 'index.js'))
  .filter((file) => existsSync(file));

/** The names a module gives, as the compiler reads them. */
function namesGiven(source: string): string[] {
  const { statements } = ts.createSourceFile('style.js', source, ts.ScriptTarget.Latest, true);
  return statements
    .flatMap((statement): string[] => {
      if (ts.isExportAssignment(statement)) return ['default'];
      if (ts.isExportDeclaration(statement))
        return statement.exportClause && ts.isNamedExports(statement.exportClause)
          ? statement.exportClause.elements.map(({ name }) => name.text)
          : ['*'];
      if (!ts.canHaveModifiers(statement)) return [];
      const said = ts.getModifiers(statement)?.map(({ kind }) => kind) ?? [];
      if (!said.includes(ts.SyntaxKind.ExportKeyword)) return [];
      if (said.includes(ts.SyntaxKind.DefaultKeyword)) return ['default'];
      if (ts.isFunctionDeclaration(statement)) return [statement.name!.text];
      return ts.isVariableStatement(statement) ? statement.declarationList.declarations.map(({ name }) => name.getText()) : [];
    })
    .sort();
}

test('a style left out gives the names it gave, so that no part of the kit asks in vain', () => {
  let leftOut = 0;
  for (const file of styles) {
    const source = readFileSync(file, 'utf8');
    const rest = leaveOutStyles(source);
    if (rest !== source) leftOut += 1;
    expect([path.relative(KIT, file), ...namesGiven(rest)]).toEqual([path.relative(KIT, file), ...namesGiven(source)]);
  }
  expect(leftOut).toBeGreaterThan(60);
});

test('what is written out in it stays, since parts ask for that as well', () => {
  expect(leaveOutStyles(readFileSync(path.join(KIT, 'progress', 'style', 'index.js'), 'utf8'))).toContain(
    "export const LineStrokeColorVar = '--progress-line-stroke-color';",
  );
});

test('it asks for nothing that works out rules', () => {
  const asked = styles
    .map((file) => readFileSync(file, 'utf8'))
    .flatMap((source) => (leaveOutStyles(source) === source ? [] : Array.from(leaveOutStyles(source).matchAll(/from '([^']+)'/g))));
  expect(new Set(asked.map(([, from]) => from))).toEqual(new Set(['../../theme/useToken']));
});
