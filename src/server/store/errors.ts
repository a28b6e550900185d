/** Something asked for that is not there. */
export class NotFound extends Error {
  constructor(what: string, id: string) {
    super(`${what} "${id}" is not in the record; it may have been opened from an old link`);
    this.name = 'NotFound';
  }
}

/** Someone else was first, or the record does not allow it now; nothing was written. */
export class Conflict extends Error {
  constructor(
    message: string,
    /** What the record holds now, for the screen to catch up with. */
    readonly current: unknown = null,
  ) {
    super(message);
    this.name = 'Conflict';
  }
}

/** As much is at work as this machine bears. */
export class Busy extends Error {
  constructor(running: number) {
    super(`${running} plans are at work on this machine already; wait for one to end, then ask again`);
    this.name = 'Busy';
  }
}

/** The bench as it is cannot be planned on; nothing is wrong with what was asked. */
export class Unplannable extends Error {
  constructor() {
    super(
      'no tool on this bench heats a joint: put an iron, a gun, tweezers or a hot-air station on the Rig, then plan',
    );
    this.name = 'Unplannable';
  }
}

/** Whoever asks may not, or not yet. */
export class Refused extends Error {
  constructor(
    readonly kind: 'signed-out' | 'forbidden' | 'needs-lead' | 'too-many',
    message: string,
  ) {
    super(message);
    this.name = 'Refused';
  }
}
