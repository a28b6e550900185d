import { useEffect, type ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { $dialogOpen } from '~/ui/keyboard/useCommands';
import { Button, KeyCap } from './Button';
import css from './dialog.module.css';

/**
 * A sheet laid over the page: it holds the keyboard until it is closed, always shows its way out, and gives the focus back
 * to where it was: to the button that was pressed, or to nothing where a key opened it, as Space is the page's then.
 */
export function Dialog({
  title,
  isOpen,
  onClose,
  back = 'Back',
  wide = false,
  children,
}: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  /** What the way out says. */
  back?: string;
  /** As wide as the screen has room: a sheet that is read at one look. */
  wide?: boolean;
  children: ReactNode;
}) {
  useEffect(() => {
    if (!isOpen) return;
    $dialogOpen.set(true);
    return () => $dialogOpen.set(false);
  }, [isOpen]);
  return (
    <ModalOverlay
      className={css['overlay'] ?? ''}
      isOpen={isOpen}
      onOpenChange={(open) => !open && onClose()}
      isDismissable
    >
      <Modal className={`${css['modal']} ${wide ? css['wide'] : ''}`}>
        <AriaDialog className={css['dialog'] ?? ''}>
          <div className={css['head']}>
            <Heading slot="title" className={css['title'] ?? ''}>
              {title}
            </Heading>
            <Button look="plain" onClick={onClose}>
              {back} <KeyCap of="Escape" />
            </Button>
          </div>
          {children}
        </AriaDialog>
      </Modal>
    </ModalOverlay>
  );
}
