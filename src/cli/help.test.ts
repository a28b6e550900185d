import { inOneGo } from '~/core/stepwise';
import { describe, expect, it } from 'vitest';
import { plan } from '~/core/method/plan/plan';
import { planInput } from '~/schema/exchange/plan/planRequest';
import { planRequestOf } from '~/schema/exchange/si/plan';
import { dryAnswerOf } from '~/schema/exchange/dry/dryAnswer';
import { dryInput } from '~/schema/exchange/dry/dryRequest';
import { simulate } from '~/schema/exchange/simulate/simulate';
import { simulateInput } from '~/schema/exchange/simulate/simulateRequest';
import {
  combineAnswerOf,
  combineInput,
  dischargeAnswerOf,
  dischargeInput,
  judgeAnswerOf,
  judgeInput,
  jumperAnswerOf,
  jumperInput,
  swapAnswerOf,
  swapInput,
} from '~/schema/exchange/parts/questions';
import { parseInput } from '~/schema/values/faults';
import { EXAMPLES, HELP, helpOf, isCommand } from './help';

describe('the command line’s help', () => {
  it('names every command, and knows no other', () => {
    const commands = [
      ...(Object.keys(EXAMPLES) as (keyof typeof EXAMPLES)[]),
      'backup',
      'export',
      'import',
      'people',
    ] as const;
    for (const command of commands) {
      expect(HELP).toContain(`  ${command} `);
      expect(isCommand(command)).toBe(true);
      expect(helpOf(command)).toContain(`./ithermon ${command}`);
    }
    expect(isCommand('bake')).toBe(false);
    expect(isCommand(undefined)).toBe(false);
  });

  it('shows requests that run as they stand', () => {
    const told = (command: 'simulate' | 'plan' | 'dry'): unknown =>
      JSON.parse(helpOf(command).split('An example:\n')[1]!);
    expect(told('simulate')).toEqual(EXAMPLES.simulate);
    const answer = simulate(parseInput(simulateInput, told('simulate')));
    expect(answer.pads.find((p) => p.pad === '2')!.fullMelt_s).toBeGreaterThan(0);

    const solving = plan(planRequestOf(parseInput(planInput, told('plan'))));
    expect(inOneGo(solving).outcome).toBe('found');

    expect(swapAnswerOf(parseInput(swapInput, EXAMPLES.swap)).verdict).toBe('fit-with-note');
    expect(judgeAnswerOf(parseInput(judgeInput, EXAMPLES.judge)).verdict).toBe('good');
    const { combinations } = combineAnswerOf(parseInput(combineInput, EXAMPLES.combine));
    expect(combinations[0]).toMatchObject({ how: 'series', value: 9400, parts: [0, 0] });
    expect(dischargeAnswerOf(parseInput(dischargeInput, EXAMPLES.discharge)).time_s).toBeGreaterThan(5);
    expect(jumperAnswerOf(parseInput(jumperInput, EXAMPLES.jumper)).gauge).toBeLessThanOrEqual(26);

    expect(dryAnswerOf(parseInput(dryInput, told('dry'))).open_s).toBeGreaterThan(0);
  });
});
