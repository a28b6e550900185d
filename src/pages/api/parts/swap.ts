import { stockSwapInput } from '~/schema/exchange/parts/stockSwap';
import { parseInput } from '~/schema/values/faults';
import { stockSwap } from '~/server/parts/stockSwap';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) =>
  stockSwap(context.locals.db, parseInput(stockSwapInput, await readJson(context)), new Date().getFullYear()),
);
