import { AS_PUBLISHED, tipKey } from '~/core/learning/lasting';
import { aboutBoard, aboutTip, type TipLessonBody } from '~/schema/records/rig/benchLesson';
import type { ToolRecord } from '~/schema/records/rig/tool';
import type { PlanInput } from '~/schema/exchange/plan/planRequest';
import { anyTipOf } from '~/schema/exchange/si/tools';
import type { HollowRecord, TipRecord } from '~/schema/values/toolSpec';
import type { Db } from '~/server/store/db';
import { lessonsAbout } from '~/server/store/repositories/benchLessons';

export type AnyTip = TipRecord | HollowRecord;

/** One job may have been a bad day: plans count a lesson in from so many on. */
const LEAST_JOBS = 2;

export const aboutOf = (toolId: string, tip: AnyTip): string => aboutTip(tipKey(toolId, anyTipOf(tip)));

/** What was learnt of those tools' tips and of a board, as a plan takes it; nothing where nothing was. */
export function learntFor(db: Db, boardId: string, tools: readonly ToolRecord[]): PlanInput['learnt'] {
  const about = [aboutBoard(boardId), ...tools.flatMap(tipsOf).map(([id, tip]) => aboutOf(id, tip))];
  const bodies = lessonsAbout(db, about).flatMap(({ body }) =>
    body && body.jobs >= LEAST_JOBS ? [body] : [],
  );
  if (bodies.length === 0) return undefined;
  const board = bodies.find((body) => body.of === 'board');
  return {
    tips: bodies.flatMap((body) => {
      if (body.of !== 'tip') return [];
      const { toolId, tip, contact, tipOffset, jobs } = body;
      return [{ toolId, tip, contact, tipOffset, jobs }];
    }),
    copper: board?.copper ?? AS_PUBLISHED,
    jobs: board?.jobs ?? 0,
  };
}

/** Every tip that some tools have and that something was learnt of. */
export const tipLessons = (db: Db, tools: readonly ToolRecord[]): TipLessonBody[] =>
  lessonsAbout(
    db,
    tools.flatMap(tipsOf).map(([id, tip]) => aboutOf(id, tip)),
  ).flatMap(({ body }) => (body?.of === 'tip' ? [body] : []));

function tipsOf({ id, spec }: ToolRecord): [toolId: string, tip: AnyTip][] {
  switch (spec.kind) {
    case 'iron':
    case 'tweezers':
      return spec.tips.map((tip) => [id, tip]);
    case 'gun':
      return spec.nozzles.map((nozzle) => [id, nozzle]);
    case 'hot-air':
    case 'preheater':
      return [];
  }
}
