import type { ButtonHTMLAttributes, ReactNode } from 'react';
import { keyCap, type Command } from '~/ui/keyboard/command';
import css from './controls.module.css';

type Look = 'primary' | 'plain' | 'outline';

interface ButtonProps extends Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'className'> {
  readonly look?: Look;
  readonly small?: boolean;
  readonly pressed?: boolean;
  readonly className?: string | undefined;
}

export function Button({
  look = 'outline',
  small,
  pressed,
  className,
  type = 'button',
  ...rest
}: ButtonProps) {
  return (
    <button
      type={type}
      aria-pressed={pressed}
      className={buttonClass(look, small, pressed, className)}
      {...rest}
    />
  );
}

export function ButtonLink({
  href,
  look = 'outline',
  small,
  children,
}: {
  href: string;
  look?: Look;
  small?: boolean;
  children: ReactNode;
}) {
  return (
    <a href={href} className={buttonClass(look, small)}>
      {children}
    </a>
  );
}

/** A button that stands for a command: its words and its key come from the table. */
export function CommandButton<Id extends string>({
  command,
  label,
  run,
  ...rest
}: ButtonProps & { readonly command: Command<Id>; readonly label?: string; readonly run: (id: Id) => void }) {
  return (
    <Button {...rest} onClick={() => run(command.id)}>
      {label ?? command.label}
      {command.keys[0] !== undefined && <KeyCap of={command.keys[0]} />}
    </Button>
  );
}

export const KeyCap = ({ of }: { of: string }) => (
  <kbd className={css['cap']} aria-hidden="true">
    {keyCap(of)}
  </kbd>
);

function buttonClass(look: Look, small = false, pressed = false, extra?: string): string {
  return [
    css['button'],
    look !== 'outline' && css[look],
    small && css['small'],
    pressed && css['pressed'],
    extra,
  ]
    .filter(Boolean)
    .join(' ');
}
