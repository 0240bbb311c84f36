'use client';

import { useId, useState, type ReactNode } from 'react';

/** A button that opens a panel beside it; Escape, a tap elsewhere or what closes it inside closes it again. */
export function PopUp({
  label,
  className,
  face,
  panel,
  children,
}: {
  /** what the button is called */
  readonly label: string;
  readonly className: string;
  /** what stands on the button */
  readonly face: ReactNode;
  /** how the panel looks and where it stands */
  readonly panel: string;
  /** what stands on the panel, given the name to close it by: `popoverTarget` of a button */
  readonly children: (closes: string) => ReactNode;
}) {
  const id = useId();
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" aria-label={label} popoverTarget={id} className={className}>
        {face}
      </button>
      <div
        id={id}
        popover="auto"
        role="group"
        aria-label={label}
        className={panel}
        onToggle={(e) => setOpen(e.newState === 'open')}
      >
        {open && children(id)}
      </div>
    </>
  );
}
