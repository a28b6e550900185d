import { useState } from 'react';
import { scaleLinear } from 'd3-scale';
import { contactTold, AS_PUBLISHED, type Normal } from '~/core/learning/lasting';
import type { TipLessonBody } from '~/schema/records/rig/benchLesson';
import type { ToolRecord } from '~/schema/records/rig/tool';
import { contactInWords, offsetInWords, WORN_TIMES } from '~/schema/words/lessonWords';
import { tipWords } from '~/schema/words/toolWords';
import { postJson } from '~/ui/api';
import { Button } from '~/ui/controls/Button';
import { Caution, ErrorNote } from '~/ui/controls/Notes';
import { day } from '~/ui/dates';
import css from './rig.module.css';

/** What closed jobs have taught of each tip, beside what is published; forgotten once it is changed or set right. */
export function TipLessons({
  lessons,
  tools,
}: {
  readonly lessons: readonly TipLessonBody[];
  readonly tools: readonly ToolRecord[];
}) {
  const [gone, setGone] = useState<ReadonlySet<TipLessonBody>>(new Set());
  const [error, setError] = useState<unknown>(null);
  const shown = lessons.filter((lesson) => !gone.has(lesson));
  const nameOf = (id: string): string => tools.find((tool) => tool.id === id)?.name ?? id;
  const forget = async (lesson: TipLessonBody): Promise<void> => {
    try {
      await postJson(`/api/tools/${lesson.toolId}/forget`, { tip: lesson.tip });
      setGone(new Set([...gone, lesson]));
      setError(null);
    } catch (refused) {
      setError(refused);
    }
  };
  const worn = shown.filter(({ drift }) => drift && drift.times >= WORN_TIMES);

  return (
    <section aria-label="What the jobs have taught">
      <div className={css['head']}>
        <h2>What the jobs have taught</h2>
      </div>
      {shown.length === 0 ? (
        <p className="quiet">
          Nothing yet: each closed job by hand tells how its tip passes heat. Plans count it in from the
          second one on.
        </p>
      ) : (
        <p className="quiet">
          From melts that were logged, held to what is published by its own spread. From a tip’s second job on
          new plans count it in. Eight times in ten the truth lies in the brackets.
        </p>
      )}
      {worn.map(({ toolId, tip, drift }) => (
        <Caution key={`${toolId} ${JSON.stringify(tip)}`}>
          <strong>
            {nameOf(toolId)}, {tipWords(tip)}
          </strong>{' '}
          wears since {day(drift!.since_ms)}: its contact is {drift!.times.toFixed(1)} times what it was.
          Change the tip, then forget what was learnt of it.
        </Caution>
      ))}
      <ErrorNote error={error} />
      {shown.length > 0 && (
        <table className={css['lessons']}>
          <thead>
            <tr>
              <th scope="col">Tip</th>
              <th scope="col">
                Contact resistance <Legend />
              </th>
              <th scope="col">Runs off its setting by</th>
              <th scope="col">From</th>
              <th scope="col">
                <span className="sr-only">What to do</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((lesson) => {
              const name = `${nameOf(lesson.toolId)}, ${tipWords(lesson.tip)}`;
              return (
                <tr key={name}>
                  <th scope="row">
                    {nameOf(lesson.toolId)} <span className="digits">{tipWords(lesson.tip)}</span>
                  </th>
                  <td>
                    <Strip contact={lesson.contact} />{' '}
                    <span className="digits">{contactInWords(lesson.contact)}</span>
                  </td>
                  <td className="digits">{offsetInWords(lesson.tipOffset)}</td>
                  <td className="digits">
                    {lesson.heats} {lesson.heats === 1 ? 'heat' : 'heats'}, {lesson.jobs}{' '}
                    {lesson.jobs === 1 ? 'job' : 'jobs'}
                  </td>
                  <td>
                    <Button
                      small
                      look="plain"
                      aria-label={`Forget ${name}`}
                      onClick={() => void forget(lesson)}
                    >
                      Forget
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** From 0.37 to 2.7 times, evenly by ratio. */
const [LEAST, MOST] = [-1, 1];
const WIDTH = 150;
const across = scaleLinear([LEAST, MOST], [0, WIDTH]).clamp(true);
const x = (times: number): number => across(Math.log(times));

/** Contact as published, behind contact as learnt. */
function Strip({ contact }: { readonly contact: Normal }) {
  const [published, learnt] = [contactTold(AS_PUBLISHED), contactTold(contact)];
  return (
    <svg className={css['strip']} viewBox={`0 0 ${WIDTH} 14`} aria-hidden="true">
      <rect
        className={css['published']}
        x={x(published.low)}
        width={x(published.high) - x(published.low)}
        height="14"
      />
      <rect
        className={css['learnt']}
        x={x(learnt.low)}
        width={Math.max(2, x(learnt.high) - x(learnt.low))}
        y="4"
        height="6"
      />
      <line className={css['usual']} x1={x(1)} x2={x(1)} y2="14" />
      <line className={css['likeliest']} x1={x(learnt.most)} x2={x(learnt.most)} y2="14" />
    </svg>
  );
}

const Legend = () => (
  <span className={css['legend']}>
    <span className={css['published']} /> published <span className={css['learnt']} /> learnt
  </span>
);
