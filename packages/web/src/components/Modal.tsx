import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useReturnFocus } from './return-focus.ts';

interface ModalProps {
  readonly open: boolean;
  onClose(): void;
  readonly title: string;
  readonly description?: string;
  /** Ends with a button that closes it; without, what is inside closes it. */
  readonly closeButton?: boolean;
  readonly children: ReactNode;
}

/** A dialog over the page that Escape, a click outside or its button closes. */
export function Modal({ open, onClose, title, description, closeButton = true, children }: ModalProps) {
  const focus = useReturnFocus();
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog"
          {...focus}
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
        >
          <Dialog.Title className="text-xl">{title}</Dialog.Title>
          {description !== undefined && (
            <Dialog.Description className="text-ink-soft">{description}</Dialog.Description>
          )}
          {children}
          {closeButton && (
            <div className="mt-3 text-right">
              <Dialog.Close className="button">Close</Dialog.Close>
            </div>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
