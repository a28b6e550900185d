import { giveWay, threadPort } from '~/server/plans/planner/thread';
import { answering } from './answering';

giveWay();
answering(threadPort());
