import { heron } from './demo/heron';
import { analyse } from './core/analysis/analyse';
const a = analyse(heron());
const n = (id: any) => (a.design.records.get(id) as any)?.name ?? id;
for (const w of a.index.wires) if (n(w.from.deviceId)==='Hide bench lights switch' || n(w.to.deviceId)==='Bench switch by the door') { const x = a.wires.get(w.id)!; console.log(n(w.from.deviceId), w.from.terminal, n(w.to.deviceId), w.to.terminal, x?.amps, x?.ampacity?.amps, JSON.stringify({...x, wire: undefined, ampacity: undefined}).slice(0,300)); }
console.log(JSON.stringify(a.wiring.rings));
