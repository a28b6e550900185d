import { airSettingOf } from '../candidate';
import { verifying } from '../progress';
import { relayed } from '~/core/stepwise';
import { runField, type FieldRun } from '~/core/thermal/field/run';
import type { Working } from '../plan/pieces/piece';
import { matesOf, padNameIn, type AirSetting, type PhaseRequest } from '../request';
import { preference } from '../limits/frontier';
import { airFrom_s, airScenario } from './airScenario';
import { longestAir_s } from './airJudge';
import { searchAir } from './airSearch';
import { settled } from './airVerify';
import { padNamesOf } from '~/core/packages/form';

/** What one heat for several parts saves against a heat for each. */
export interface SharedHeat {
  readonly refs: readonly string[];
  /** Heats apart, and the worst pad's dose when every part's heat also warms the others' pads. */
  readonly apart: { readonly heats: number; readonly time_s: number; readonly padDose: number };
  readonly together: { readonly time_s: number; readonly padDose: number };
}

/**
 * Solves each part of a group alone, by its own best setting or else the group's, with a full run each, and adds up
 * what every pad of the group would take. Null where the job heats one part only.
 */
export function* sharedHeat(
  request: PhaseRequest,
  setting: AirSetting,
  together: SharedHeat['together'],
): Working<SharedHeat | null> {
  const mates = matesOf(request);
  if (mates.length < 2) return null;
  const doses = new Map<string, number>();
  let time_s = 0;
  for (const mate of mates) {
    const alone = aloneOn(request, mate.ref);
    const able = preference(yield* searchAir(alone)).map((c) => airSettingOf(c));
    // Like with like: warmed from below apart if together.
    const best = able.find((s) => (s.preheat === null) === (setting.preheat === null));
    const own = best ?? setting;
    const run = yield* runAlone(alone, own);
    time_s += run.time_s.at(-1)!;
    for (const pad of run.pads) {
      if (!mates.some((m) => m.ref === pad.ref)) continue;
      const name = padNameIn(request.site, pad.ref, pad.pad);
      doses.set(name, (doses.get(name) ?? 0) + pad.dose);
    }
  }
  return {
    refs: mates.map((mate) => mate.ref),
    apart: { heats: mates.length, time_s, padDose: Math.max(...doses.values()) },
    together: { ...together, time_s: together.time_s + airFrom_s(setting) },
  };
}

/** The request as it would be if only one part of the group came off. */
function aloneOn(request: PhaseRequest, ref: string): PhaseRequest {
  const apart = request.neighbours.map((n) => ({ ...n, comesToo: false }));
  if (ref === request.site.ref) return { ...request, neighbours: apart };
  const mate = request.neighbours.find((n) => n.ref === ref)!;
  const { site } = request;
  return {
    ...request,
    site: {
      ...site,
      ref,
      x_m: mate.x_m,
      y_m: mate.y_m,
      rotation_rad: mate.rotation_rad,
      partSide: mate.side,
      part: mate.part!,
      alloy: mate.alloy,
      connections: mate.connections ?? {},
      padStates: {},
    },
    neighbours: [
      ...apart.filter((n) => n.ref !== ref),
      {
        ref: site.ref,
        x_m: site.x_m,
        y_m: site.y_m,
        rotation_rad: site.rotation_rad,
        side: site.partSide,
        alloy: site.alloy,
        part: site.part,
        connections: site.connections,
      },
    ],
    history: { ...request.history, padDose: {} },
  };
}

function* runAlone(request: PhaseRequest, setting: AirSetting): Working<FieldRun> {
  const run = runField(airScenario(request, setting, longestAir_s(request)), {
    stopWhen: settled(padNamesOf(request.site.part).length),
  });
  return yield* relayed(run, verifying);
}
