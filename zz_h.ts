import { heron } from './demo/heron';
import { analyse } from './core/analysis/analyse';
import { withSlowFindings } from './core/analysis/rules/slowFindings';
import { wordFinding } from './core/wording/wording';
const d = heron();
const t=performance.now();
const a = withSlowFindings(analyse(d));
console.log(performance.now()-t);
for (let i=0;i<3;i++){const t=performance.now(); analyse(d); console.log('analyse',performance.now()-t);}
for (const f of a.findings) console.log(f.severity, f.rule, wordFinding(f,d,'metric').message);
console.log(a.exclusions.sides, a.exclusions.proven);
console.log(a.totals);
