import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { KIT_PARTS, kitCss } from './kitCss';

/** What stands for a whole page, or for nothing that is drawn. */
const NOT_DRAWN = ['ConfigProvider', 'theme'];

test('the sheet is what the kit and the themes give', () => {
  const sheet = readFileSync(path.join(__dirname, 'kit.css'), 'utf8');
  if (sheet !== kitCss()) throw new Error('the kit or the themes have changed: run `npm run kit`');
});

test('every part of the kit that is imported anywhere has its rules in it', () => {
  const root = path.join(__dirname, '..', '..');
  const imported = new Set<string>();
  for (const folder of ['app', 'features', 'ui'])
    for (const file of readdirSync(path.join(root, folder), { recursive: true, encoding: 'utf8' })) {
      if (!/\.tsx?$/.test(file) || path.join(folder, file) === path.join('ui', 'kit', 'kitCss.tsx')) continue;
      for (const [, names] of readFileSync(path.join(root, folder, file), 'utf8').matchAll(/import \{([^}]*)\} from 'antd'/g))
        for (const name of names!.split(',').map((one) => one.trim())) if (name !== '' && !name.startsWith('type ')) imported.add(name);
    }
  expect(imported.size).toBeGreaterThan(10);
  expect([...imported].filter((name) => !KIT_PARTS.has(name) && !NOT_DRAWN.includes(name))).toEqual([]);
});
