import { useReady } from '~/ui/useReady';
import { useStore } from '@nanostores/react';
import { Moon, Sun, Volume2, VolumeX, Keyboard } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Role } from '~/core/record/roles';
import { Button } from '~/ui/controls/Button';
import { useCommands } from '~/ui/keyboard/useCommands';
import { useLeavingFields } from '~/ui/keyboard/useLeavingFields';
import { $by, $muted, readPreferences, setBy, setMuted, toggleTheme } from '~/ui/preferences';
import { STATION_COMMANDS, type StationCommand } from './commands';
import { $helpOpen } from './help';
import { $railLines } from './railStore';
import css from './rail.module.css';

/** Who is here, light, sound and keys: what belongs to the bench and not to a board. */
export function StationKeys({
  by,
  muted,
  board,
  person,
}: {
  /** Whoever is signed in; null on a bench that nobody signs in to. */
  person: { readonly initials: string; readonly role: Role } | null;
  by: string;
  muted: boolean;
  /** Where the key to the board leads; null on sheets that are of none. */
  board: string | null;
}) {
  const mutedNow = useStore($muted);
  const byNow = useStore($by);
  const ready = useReady();
  const [lamp, setLamp] = useState(false);
  const initials = useRef<HTMLInputElement>(null);

  useEffect(() => {
    readPreferences(person?.initials ?? null);
    setLamp(document.documentElement.dataset['theme'] === 'lamp-off');
  }, [person?.initials]);

  const run = (id: StationCommand): boolean => {
    switch (id) {
      case 'help':
        $helpOpen.set(true);
        return true;
      case 'theme':
        setLamp(toggleTheme() === 'lamp-off');
        return true;
      case 'mute':
        setMuted(!$muted.get());
        return true;
      case 'board':
        if (board) window.location.href = board;
        return board !== null;
      case 'bench':
        window.location.href = '/';
        return true;
      case 'parts':
        window.location.href = '/parts';
        return true;
      case 'outcomes':
        window.location.href = '/outcomes';
        return true;
      case 'rig':
        window.location.href = '/rig';
        return true;
      case 'initials':
        if (person) window.location.href = '/account';
        initials.current?.focus();
        initials.current?.select();
        return true;
      default: {
        const line = $railLines.get()[Number(id.slice('clock-'.length)) - 1];
        if (line) window.location.href = line.href;
        return line !== undefined;
      }
    }
  };
  useCommands('station', STATION_COMMANDS, run);
  useLeavingFields();

  return (
    <div className={`${css['station']} station`} data-ready={ready || undefined}>
      {person ? (
        <a className={css['person']} href="/account" title="Sign out, passphrase  @">
          <span>{person.role}</span> {person.initials}
        </a>
      ) : (
        <label className={css['who']}>
          <span>At the bench</span>
          <input
            ref={initials}
            aria-label="Initials of whoever is at the bench"
            maxLength={8}
            placeholder="initials"
            value={ready ? byNow : by}
            onChange={(event) => setBy(event.target.value.trim())}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
          />
        </label>
      )}
      <Button
        look="plain"
        aria-label={lamp ? 'Daylight' : 'Dark screen'}
        title={lamp ? 'Daylight  \\' : 'Dark screen  \\'}
        onClick={() => run('theme')}
      >
        {lamp ? <Sun size={22} /> : <Moon size={22} />}
      </Button>
      <Button
        look="plain"
        aria-label={(ready ? mutedNow : muted) ? 'Sounds on' : 'Sounds off'}
        title={'Sounds  "'}
        onClick={() => run('mute')}
      >
        {(ready ? mutedNow : muted) ? <VolumeX size={22} /> : <Volume2 size={22} />}
      </Button>
      <Button look="plain" aria-label="Keys" title="Keys  ?" onClick={() => run('help')}>
        <Keyboard size={22} />
      </Button>
    </div>
  );
}
