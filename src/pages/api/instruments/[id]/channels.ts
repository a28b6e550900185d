import { channelTold } from '~/schema/records/rig/instrumentChannel';
import { parseInput } from '~/schema/values/faults';
import { endpoint, readJson } from '~/server/http/respond';
import { NotFound } from '~/server/store/errors';
import { tellChannel } from '~/server/store/repositories/instrumentChannels';

export const POST = endpoint(async (context) => {
  const { db, hub } = context.locals;
  const id = context.params['id']!;
  const told = parseInput(channelTold, await readJson(context));
  const device = hub.list().find((d) => d.id === id);
  if (!device?.channels.some((c) => c.id === told.channel))
    throw new NotFound('channel', `${id} ${told.channel}`);
  hub.know([tellChannel(db, id, told, Date.now())]);
  return { instruments: hub.list(), now_ms: Date.now() };
});
