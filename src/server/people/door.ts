import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import type { Credentials, PersonRecord } from '~/schema/records/people/person';
import type { Db } from '~/server/store/db';
import { Refused } from '~/server/store/errors';
import { personAtDoor } from '~/server/store/repositories/people';
import { opens } from './passphrase';

const QUARTER_s = 15 * 60;
/** Wrong passphrases for one person before the door stays shut for a while, from wherever they came. */
const MOST_FOR_ONE = 5;
/** And from one address, for whoever. */
const MOST_FROM_ONE = 20;

/** The door: lets in whoever knows the passphrase, and grows deaf to whoever guesses. */
export class Door {
  private readonly forOne = new RateLimiterMemory({ points: MOST_FOR_ONE, duration: QUARTER_s });
  private readonly fromOne = new RateLimiterMemory({ points: MOST_FROM_ONE, duration: QUARTER_s });

  constructor(private readonly db: Db) {}

  /** Who this is. Throws `Refused` for a wrong passphrase, and for one guess too many. */
  async admit({ initials, passphrase }: Credentials, address: string): Promise<PersonRecord> {
    const name = initials.toLocaleUpperCase();
    await counted(this.fromOne, address);
    await counted(this.forOne, name);
    const found = personAtDoor(this.db, initials);
    if (!(await opens(passphrase, found?.hash ?? null)) || !found)
      throw new Refused('signed-out', 'these initials and this passphrase do not open; try again');
    await Promise.all([this.forOne.delete(name), this.fromOne.reward(address)]);
    return found.person;
  }
}

async function counted(limiter: RateLimiterMemory, key: string): Promise<void> {
  try {
    await limiter.consume(key);
  } catch (over) {
    if (!(over instanceof RateLimiterRes)) throw over;
    const minutes = Math.ceil(over.msBeforeNext / 60_000);
    throw new Refused('too-many', `too many wrong passphrases; wait ${minutes} min, then try again`);
  }
}
