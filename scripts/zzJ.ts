import { writeFileSync } from 'node:fs';
import { inOneGo } from '~/core/stepwise';
import { plan } from '~/core/method/plan/plan';
import { celsius, litresPerMinute } from '~/core/quantity/convert';
import { FACTORS, requestOf } from '../tests/plans/factors';
import { coveringRows } from '../tests/plans/pairs';
const rows = coveringRows(FACTORS) as any[];
const warm = (p: any) => p ? ` over ${p.kind} ${celsius(p.setpoint_K).toFixed(0)}/${p.soak_s}` : '';
const out: Record<number, string> = {};
for (let i = 0; i < rows.length; i += 5) {
  const found: any = inOneGo(plan(requestOf(rows[i])));
  if (found.outcome === 'found') {
    out[i] = found.phases.map((p: any) => {
      const s = p.chosen.setting;
      const melt = Math.max(...p.bands.map((b: any) => b.melt_s.p50 ?? 0));
      const stop = Math.max(...p.bands.map((b: any) => b.stop_s));
      const dose = Math.max(...p.bands.map((b: any) => b.padDose.p50));
      const tool = s.kind === 'air' ? `air ${celsius(s.air_K).toFixed(0)} °C ${litresPerMinute(s.flow_m3_s).toFixed(0)} L/min` : `${s.tip.shape} ${(1e3 * (s.tip.width_m ?? s.tip.outer_m)).toFixed(1)} ${celsius(s.setpoint_K).toFixed(0)} °C`;
      return `${p.method.id}: ${tool}${warm(s.preheat)}, ${melt.toFixed(1)} s, stop ${stop.toFixed(0)} s, ${(100 * dose).toFixed(1)} %${p.chosen.rampRatio > 1.2 ? `, ramp ${p.chosen.rampRatio.toFixed(1)}` : ''}`;
    }).join('; ');
  } else if (found.outcome === 'no-feasible-setting') {
    const works = found.remedies.filter((r: any) => r.works).map((r: any) => r.kind);
    out[i] = `no (${found.phase === 'remove' ? 'removal' : found.phase}: ${found.binding.limit}); would do: ${works.join(', ') || 'nothing'}`;
  } else out[i] = found.outcome;
}
writeFileSync('/tmp/judged.json', JSON.stringify(out, null, 1));
