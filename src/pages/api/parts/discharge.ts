import { dischargeAnswerOf, dischargeInput } from '~/schema/exchange/parts/questions';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) =>
  dischargeAnswerOf(parseInput(dischargeInput, await readJson(context))),
);
