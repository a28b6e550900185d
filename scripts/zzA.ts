import { inOneGo } from '~/core/stepwise';
import { plan } from '~/core/method/plan/plan';
import { celsius, litresPerMinute } from '~/core/quantity/convert';
import { FACTORS, requestOf } from '../tests/plans/factors';
import { coveringRows } from '../tests/plans/pairs';
const rows = coveringRows(FACTORS) as any[];
const times: number[] = [];
const list = (process.argv[2] ?? '93,94,99,100,105,112,117,118,119,125,129,130,135,140,145').split(',').map(Number);
for (const i of list) {
  const request = requestOf(rows[i]);
  const t = performance.now();
  const found = inOneGo(plan(request));
  const ms = performance.now() - t;
  times.push(ms);
  const says = found.outcome === 'found' ? found.phases.map((p) => { const s = p.chosen.setting; return s.kind === 'air' ? `${p.phase} air ${celsius(s.air_K).toFixed(0)} ${litresPerMinute(s.flow_m3_s).toFixed(0)} L ${(s.standoff_m*1e3)}mm ${s.preheat ? s.preheat.kind + ' ' + celsius(s.preheat.setpoint_K).toFixed(0) + '/' + s.preheat.soak_s : ''} ${p.chosen.time_s!.toFixed(0)} s ${(100*p.chosen.damage).toFixed(2)}` : p.phase + ' hand'; }).join('; ') : found.outcome;
  console.log(i, request.site.part.family, ms.toFixed(0), says);
}
times.sort((a,b)=>a-b); console.log('median', times[Math.floor(times.length/2)]!.toFixed(0));
