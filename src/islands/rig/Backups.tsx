import type { BackupsKept } from '~/schema/sheets/backupsKept';
import { Caution } from '~/ui/controls/Notes';
import { dayAndTime } from '~/ui/dates';
import { sinceText } from '~/ui/figures';

/** The daily copies of the record: how old the newest is, and where they lie. */
export function Backups({ backups, now_ms }: { backups: BackupsKept; now_ms: number }) {
  const { on, kept, newest_ms, folder, failed } = backups;
  return (
    <section aria-label="Backups">
      <h2>Backups</h2>
      {failed && (
        <Caution>
          The last daily backup could not be made. Is the disk full? Make one by hand: ./ithermon backup FILE
        </Caution>
      )}
      <p>
        {newest_ms === null
          ? on
            ? 'The first daily backup is being made.'
            : 'No daily backups are kept here.'
          : `Newest ${sinceText(now_ms - newest_ms)} old (${dayAndTime(newest_ms)}); ${kept} kept beside the database, in the folder ${folder}.`}{' '}
        {!on && 'Start without --backups 0 to keep some.'}{' '}
        <a href="/record">Carry the record to another bench, or bring one in</a>
      </p>
    </section>
  );
}
