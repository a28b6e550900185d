import { useEffect, type ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { $dialogOpen } from '~/ui/keyboard/useCommands';
import css from './dialog.module.css';

/** A sheet laid over the page: it holds the keyboard until it is closed. */
export function Dialog({
  title,
  isOpen,
  onClose,
  children,
}: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
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
      <Modal className={css['modal'] ?? ''}>
        <AriaDialog className={css['dialog'] ?? ''}>
          <Heading slot="title" className={css['title'] ?? ''}>
            {title}
          </Heading>
          {children}
        </AriaDialog>
      </Modal>
    </ModalOverlay>
  );
}
