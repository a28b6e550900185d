import { inOneGo } from '~/core/stepwise';
import { isOfClock } from '~/core/record/boardEntries';
import { isSupplyGate } from '~/core/record/supplyGate';
import { isChargeGate } from '~/core/record/chargeGate';
import { runState } from '~/core/record/runState';
import { acceptPlan } from '~/schema/records/jobs/job';
import { newFinding } from '~/schema/records/site/finding';
import { newSite } from '~/schema/records/site/site';
import { boardEntryRow } from '~/schema/records/board/boardEntry';
import { newBoard } from '~/schema/records/board/board';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { choiceOfOption, choicesIn } from '~/schema/exchange/plan/optionChoice';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';
import { plan } from '~/core/method/plan/plan';
import { planAnswerOf } from '~/schema/exchange/plan/planAnswerOf';
import { planRequestOf } from '~/schema/exchange/si/plan';
import type { Db } from '~/server/store/db';
import { acceptJob, solvedHere } from '~/server/jobs/acceptance';
import { exposureFor } from '~/server/jobs/exposure';
import { planningFor } from '~/server/plans/sitePlanning';
import { enterClock } from '~/server/boards/boardClocks';
import { restate } from '~/server/boards/restate';
import { addBoardEntry, boardEntriesOf } from '~/server/store/repositories/boardEntries';
import { addBoard, hasBoard } from '~/server/store/repositories/boards';
import { addFinding } from '~/server/store/repositories/findings';
import { appendCosted } from '~/server/jobs/costs';
import { getJob, hasJob } from '~/server/store/repositories/jobs';
import { addSite, sitesOf } from '~/server/store/repositories/sites';
import { listSupplies, moveSupply } from '~/server/store/repositories/supplies';
import { changeTool, listTools } from '~/server/store/repositories/tools';
import { newFaceFinding } from '~/schema/records/board/faceFinding';
import { newPhoto } from '~/schema/records/board/photo';
import { newContinuityReading } from '~/schema/records/site/continuityReading';
import { checklistFor, takeContinuityReading } from '~/server/checks/checkSheet';
import { addFaceFinding } from '~/server/store/repositories/faceFindings';
import { calibratePhoto, photosOf } from '~/server/store/repositories/photos';
import type { ChannelTold } from '~/schema/records/rig/instrumentChannel';
import { findParts, givenFrom } from '~/server/store/repositories/stockParts';
import { fillDrawers, moveDemoParts } from './drawers';
import { seedMemories } from './memories';
import { seedMonths } from './months';
import { channelsTold, tellChannel } from '~/server/store/repositories/instrumentChannels';
import { getBoard } from '~/server/store/repositories/boards';
import { ensureRig } from '~/server/rig/firstRig';
import { addSiteGroup } from '~/server/store/repositories/siteGroups';
import { takePhoto } from '~/server/boards/photoIntake';
import { DEMO_BOARDS } from './boards';
import type { DemoBoard, DemoEntry } from './demoBoard';
import { seedLogs } from './logs';
import { photograph } from './photograph';
import { DEMO_STORIES, type DemoStory } from './stories';

const DAY_ms = 86_400_000;
const MINUTE_ms = 60_000;
const STOCKED_daysAgo = 200;

/** One thermocouple of the simulated logger has its place; the other is left for whoever tries it. */
const LAND_CHANNEL: ChannelTold = {
  channel: 'tc1',
  name: 'Channel 1',
  place: 'land',
  offset_K: 0,
  checkedAt_ms: null,
  by: 'RT',
  revision: 0,
};

/**
 * Writes the demo workshop through the same doors as a real bench, with plans solved by the model.
 * Boards and jobs that are there already are left alone, so that it is safe to run again. `months` is the file of the sample
 * months, which are kept ready; null: without them.
 */
export async function seedDemo(
  db: Db,
  now_ms: number,
  tell: (line: string) => void,
  months: string | null = null,
): Promise<void> {
  // The workshop counted its stock before its first job.
  ensureRig(db, now_ms - STOCKED_daysAgo * DAY_ms);
  if (findParts(db, '', 1).lines.length === 0) fillDrawers(db, now_ms);
  if (channelsTold(db).length === 0)
    tellChannel(db, 'tc-logger', LAND_CHANNEL, now_ms - STOCKED_daysAgo * DAY_ms);
  if (months !== null) seedMonths(db, months, now_ms);
  for (const demo of DEMO_BOARDS) {
    seedBoard(db, demo, now_ms);
    await seedPhoto(db, demo, now_ms);
  }
  for (const story of DEMO_STORIES) {
    if (hasJob(db, story.id)) continue;
    tell(`demo: planning and writing ${story.siteRef} of ${story.boardId}`);
    await seedStory(db, story, now_ms);
  }
  for (const [i, { id }] of DEMO_STORIES.entries()) seedLogs(db, id, i + 1, exposureFor(db));
  for (const demo of DEMO_BOARDS) {
    seedEntries(db, demo, now_ms);
    restate(db, demo.id);
  }
  seedMemories(db, now_ms);
  if (givenFrom(db, 'demo-validator-9-R4').length === 0) moveDemoParts(db, now_ms);
  seedRig(db, now_ms);
}

/** What was said of a demo board as a whole, through the shapes of a real one. */
function seedEntries(db: Db, { id, entries = [] }: DemoBoard, now_ms: number): void {
  // A job's own clocks stand there already.
  if (boardEntriesOf(db, id).some((entry) => entry.id === `${id}-entry-1`)) return;
  entries.forEach(({ by, daysAgo, body }, i) => {
    const at_ms = Math.round(now_ms - daysAgo * DAY_ms + i * MINUTE_ms);
    const row = boardEntryRow.parse({
      id: `${id}-entry-${i + 1}`,
      boardId: id,
      at_ms,
      by,
      body: entryBody(body, id, now_ms),
    });
    if (isOfClock(row.body)) enterClock(db, { ...row, body: row.body });
    else addBoardEntry(db, row);
  });
}

function entryBody(body: DemoEntry['body'], boardId: string, now_ms: number) {
  if ('site' in body) {
    const { site, ...part } = body;
    return { ...part, siteId: `${boardId}-${site}` };
  }
  if (!('dueInDays' in body)) return body;
  const { dueInDays, ...parked } = body;
  return { ...parked, due_ms: now_ms + dueInDays * DAY_ms };
}

/** A bench that has been worked at: one iron reads cold, the gun wants cleaning soon, tape runs out. */
function seedRig(db: Db, now_ms: number): void {
  const worn = [
    { id: 'iron-slip-on', offset_K: -9, hours: 70, clogged: 0, days: 12 },
    { id: 'gun-vacuum', offset_K: -4, hours: 25, clogged: 0.2, days: 5 },
  ];
  for (const { id, days, ...state } of worn) {
    const tool = listTools(db).find((t) => t.id === id && t.revision === 1);
    if (!tool) continue;
    changeTool(db, id, {
      name: tool.name,
      spec: tool.spec,
      ...state,
      checkedAt_ms: now_ms - days * DAY_ms,
      retired: false,
      revision: 1,
    });
  }
  const tape = listSupplies(db).find((s) => s.id === 'tape');
  if (tape && tape.left > 600)
    moveSupply(
      db,
      { supplyId: 'tape', reason: 'counted', amount: 54, by: 'HL' },
      now_ms - 2 * DAY_ms,
      'demo-tape',
    );
}

function seedBoard(db: Db, demo: DemoBoard, now_ms: number): void {
  if (hasBoard(db, demo.id)) return;
  addBoard(db, newBoard.parse(demo.board), now_ms - demo.daysAgo * DAY_ms, demo.id);
  for (const site of demo.sites) addSite(db, demo.id, newSite.parse(site), `${demo.id}-${site.ref}`);
  const padId = (site: string, pad: string): string => `${demo.id}-${site}-${pad}`;
  demo.findings.forEach((finding, i) => {
    const record = newFinding.parse({
      padId: padId(finding.site, finding.pad),
      state: finding.state,
      otherPadId: finding.other ? padId(finding.site, finding.other) : null,
      foundAs: finding.here ? 'done-here' : 'as-received',
      note: finding.note,
      by: finding.by,
    });
    addFinding(db, record, now_ms - finding.daysAgo * DAY_ms + i * MINUTE_ms, `${demo.id}-found-${i + 1}`);
  });
  seedPlaces(db, demo, now_ms);
  seedReadings(db, demo, now_ms);
  for (const { name, refs } of demo.groups ?? [])
    addSiteGroup(
      db,
      demo.id,
      { name, siteIds: refs.map((ref) => `${demo.id}-${ref}`) },
      `${demo.id}-${name}`.replace(/\W+/g, '-'),
    );
}

function seedPlaces(db: Db, demo: DemoBoard, now_ms: number): void {
  (demo.places ?? []).forEach(({ points, then, daysAgo, ...place }, i) => {
    const common = {
      side: place.side,
      kind: place.kind,
      points: points.map(([x_mm, y_mm]) => ({ x_mm, y_mm })),
      by: place.by,
    };
    const { id } = addFaceFinding(
      db,
      demo.id,
      newFaceFinding.parse({ ...common, state: place.state, note: place.note, foundAs: 'as-received' }),
      now_ms - daysAgo * DAY_ms + i * MINUTE_ms,
      `${demo.id}-place-${i + 1}`,
    );
    if (!then) return;
    addFaceFinding(
      db,
      demo.id,
      newFaceFinding.parse({
        ...common,
        state: then.state,
        note: then.note,
        foundAs: 'done-here',
        followsId: id,
      }),
      now_ms - then.daysAgo * DAY_ms + i * MINUTE_ms,
      `${demo.id}-place-${i + 1}-then`,
    );
  });
}

/** Takes the readings in the order of the site's own checklist, a minute apart. */
function seedReadings(db: Db, demo: DemoBoard, now_ms: number): void {
  for (const { site, values_Ohm, daysAgo, by } of demo.readings ?? []) {
    const siteId = `${demo.id}-${site}`;
    const { checks } = checklistFor(db, siteId);
    values_Ohm.slice(0, checks.length).forEach((value_Ohm, i) => {
      const { kind, pad, other } = checks[i]!;
      const reading = newContinuityReading.parse({
        kind,
        padId: pad.id,
        otherPadId: other.id,
        value_Ohm,
        by,
      });
      takeContinuityReading(db, siteId, reading, now_ms - daysAgo * DAY_ms + i * MINUTE_ms);
    });
  }
}

async function seedPhoto(db: Db, demo: DemoBoard, now_ms: number): Promise<void> {
  if (!demo.photo || photosOf(db, demo.id).length > 0) return;
  const { bytes, calibration } = await photograph(demo);
  const given = newPhoto.parse({ side: demo.photo, caption: 'As received', by: demo.findings[0]!.by });
  const { id } = await takePhoto(db, demo.id, given, bytes, now_ms - demo.daysAgo * DAY_ms);
  calibratePhoto(db, demo.id, id, { revision: 1, calibration });
}

async function seedStory(db: Db, story: DemoStory, now_ms: number): Promise<void> {
  const site = sitesOf(db, story.boardId).find((s) => s.ref === story.siteRef)!;
  const underWay = 'standsAt' in story.end;
  let time_ms = underWay ? now_ms - 12 * MINUTE_ms : now_ms - story.daysAgo * DAY_ms;
  const wanted = { goal: story.goal, by: story.by };
  const { input, inputsKey } = planningFor(db, site.id, wanted);
  const choices = choose(input);
  await acceptJob(
    db,
    acceptPlan.parse({ siteId: site.id, ...wanted, inputsKey, choices }),
    solvedHere,
    () => time_ms,
    story.id,
  );

  let count = 0;
  const write = (event: WritableEvent, after_ms: number): void => {
    time_ms += after_ms;
    const { job } = getJob(db, story.id);
    count += 1;
    appendCosted(
      db,
      story.id,
      { clientId: `${story.id}-e${count}`, afterSeq: job.lastSeq, by: story.by, event },
      time_ms,
      exposureFor(db),
    );
  };
  const { steps } = getJob(db, story.id).job.plan;
  const asks_V = getBoard(db, story.boardId).asks_V ?? 24;
  const standing = () => {
    const { job, events } = getJob(db, story.id);
    return runState(job.plan.steps, events);
  };
  for (const step of steps) {
    if (underWay && 'standsAt' in story.end && step.id === story.end.standsAt) break;
    for (const dwell of story.dwells.filter(
      (d) => step.kind === 'heat' && (d.pad === step.pad || step.inTurn.includes(d.pad)),
    )) {
      write({ kind: 'heat-on', stepId: step.id, pad: dwell.pad }, 20_000);
      if (dwell.melted_s !== null) {
        write(
          { kind: 'melted', stepId: step.id, pad: dwell.pad, elapsed_s: dwell.melted_s },
          dwell.melted_s * 1000,
        );
      }
      write(
        { kind: 'heat-off', stepId: step.id, pad: dwell.pad, elapsed_s: dwell.off_s },
        (dwell.off_s - (dwell.melted_s ?? 0)) * 1000,
      );
    }
    if (step.id === 'inspect') {
      story.findings.forEach((finding, i) => {
        time_ms += 20_000;
        addFinding(
          db,
          newFinding.parse({
            padId: `${site.id}-${finding.pad}`,
            state: finding.state,
            otherPadId: finding.other ? `${site.id}-${finding.other}` : null,
            foundAs: 'done-here',
            jobId: story.id,
            note: finding.note,
            by: story.by,
          }),
          time_ms,
          `${story.id}-found-${i + 1}`,
        );
      });
      story.notes.forEach((text) => write({ kind: 'note', text }, 30_000));
    }
    const last =
      underWay && 'standsAt' in story.end && steps[standing().stepIndex + 1]?.id === story.end.standsAt;
    if (last && 'standsAt' in story.end) time_ms = now_ms - story.end.minutesAgo * MINUTE_ms;
    const read = {
      ...(step.reads_C === null ? {} : { shown_C: step.reads_C }),
      ...(isChargeGate(step.id) ? { left_V: 0.8, again_V: 1.1 } : {}),
      ...(isSupplyGate(step.id) ? { supply: { asks_V, gives_V: asks_V + 0.1, limit_A: 0.4 } } : {}),
    };
    write({ kind: 'step-done', stepId: step.id, ...read }, last ? 0 : 25_000);
  }
  if ('outcome' in story.end) write({ kind: 'closed', ...story.end }, 60_000);
}

/** The plan's own choice where it has one, else the way it comes to that works on this bench, else the nearest. */
function choose(input: Parameters<typeof planRequestOf>[0]): ChoiceInput[] {
  const answer = planAnswerOf(inOneGo(plan(planRequestOf(input))));
  if (answer.outcome === 'not-converged') throw new Error('demo plan did not converge');
  if (answer.outcome === 'found') return choicesIn(answer);
  const remedy = answer.remedies.find((r) => r.works && r.onBench && r.kind === 'preheat');
  const option = remedy?.option ?? answer.nearest;
  if (!option) throw new Error(`demo plan has no tool for ${input.site.ref}`);
  return [choiceOfOption(answer.phase, option)];
}
