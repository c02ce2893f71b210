import { Popover } from 'antd';
import { type ReactNode, useState } from 'react';
import './act.css';

interface ActPopoverProps {
  name: string;
  tip?: string;
  /** Of a short word: what a screen reader says instead. */
  label?: string;
  children: (close: () => void) => ReactNode;
}

/** A word that opens a small sheet in which something is done to keywords. */
export function ActPopover({ name, tip, label, children }: ActPopoverProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover
      trigger="click"
      placement="topLeft"
      arrow={false}
      destroyOnHidden
      open={open}
      onOpenChange={setOpen}
      content={
        <div
          className="act-menu"
          role="dialog"
          aria-label={label ?? name}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            event.stopPropagation();
            setOpen(false);
          }}
        >
          {children(() => setOpen(false))}
        </div>
      }
    >
      <button className="plain written" title={tip} aria-label={label} aria-expanded={open}>
        {name}
      </button>
    </Popover>
  );
}
