import { setOnPort } from '@endrel/core/acts/set-on-port';
import type { PortRef } from '@endrel/core/parts/port';
import { useJob } from '../session/session-context.tsx';
import { ActButton } from './ActButton.tsx';

interface PortClosingProps {
  readonly port: PortRef;
  readonly isOpen: boolean;
  /** Said with each button where several ports stand on one screen. */
  readonly of?: string;
  readonly className?: string;
}

/** Caps or plugs a port that no joint is on, or opens it again. */
export function PortClosing({ port, isOpen, of, className }: PortClosingProps) {
  const job = useJob();
  const button = (says: string, closed: 'capped' | 'plugged' | undefined) => (
    <ActButton act={setOnPort(job, port, 'closed', closed)} label={of && `${says}: ${of}`} className={className}>
      {says}
    </ActButton>
  );
  if (!isOpen) return button('Open it', undefined);
  return (
    <>
      {button('Cap it', 'capped')}
      {button('Plug it', 'plugged')}
    </>
  );
}
