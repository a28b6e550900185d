import type { JobRecord } from '~/schema/records/jobs/job';
import { jobRequestOf } from '~/schema/records/jobs/jobRequest';
import type { SimulateInput } from '~/schema/exchange/simulate/simulateRequest';

type Scene = Pick<SimulateInput, 'ambient_C' | 'board' | 'site' | 'duration_s'> & { readonly load: unknown };

/** What lies under the tools while a job is worked on, as a request that `./ithermon simulate` would take; null where its plan is not read any more. */
export function sceneOf(job: JobRecord): Scene | null {
  const request = jobRequestOf(job.request);
  if (!request) return null;
  const { ambient_C, board, site } = request.input;
  const { copperMaps: _maps, outline_mm: _edge, ...told } = board;
  const { ref, side, x_mm, y_mm, rotation_deg, alloy, package: part, connections } = site;
  return {
    ambient_C,
    board: told,
    site: { ref, side, x_mm, y_mm, rotation_deg, alloy, package: part, connections },
    load: {
      kind: 'iron',
      setpoint_C: 350,
      power_W: 65,
      tip: tipOf(request.choices) ?? { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
      pad: job.plan.phases[0]!.pins[0]!.pads[0] ?? '1',
    },
    duration_s: 10,
  };
}

/** The solid tip that the job was planned with, if it was one. */
function tipOf(choices: readonly { readonly setting: object }[]): object | null {
  for (const { setting } of choices) {
    const tip = 'tip' in setting ? (setting.tip as object | null) : null;
    if (tip && 'shape' in tip && 'construction' in tip) return tip;
  }
  return null;
}
