import { instrumentDo } from '~/schema/exchange/instruments/wire';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';

export const POST = endpoint(async (context) => {
  const { hub } = context.locals;
  await hub.ask(context.params['id']!, parseInput(instrumentDo, await readJson(context)));
  return { instruments: hub.list(), now_ms: Date.now() };
});
