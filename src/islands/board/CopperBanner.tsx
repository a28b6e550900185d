import { Button, KeyCap } from '~/ui/controls/Button';
import { runInWords } from '~/islands/findings/marking';
import findings from '~/islands/findings/findings.module.css';

/** Says that letters mark copper now, and of which pads. */
export function CopperBanner({ run, onLeave }: { run: readonly string[]; onLeave: () => void }) {
  return (
    <div className={findings['banner']} role="status" data-marking>
      <p>
        <strong>Marking copper.</strong>{' '}
        {run.length > 0 ? `A letter says what ${runInWords(run)} meets.` : 'Choose a pad first.'}
      </p>
      <Button small onClick={onLeave}>
        Leave <KeyCap of="Escape" />
      </Button>
    </div>
  );
}
