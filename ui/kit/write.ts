import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { kitCss } from './kitCss';

/** `npm run kit`: writes the sheet again, after another version of the kit, another look or another part of it. */
writeFileSync(path.join(import.meta.dirname, 'kit.css'), kitCss());
