'use client';
import { useState, type ReactElement } from 'react';
import { CommandList, type Group } from './CommandList';
import { Popup } from './Popup';

/** A button that opens a list which is searched by typing; what is taken from it closes it. */
export function SearchMenu({
  label,
  groups,
  trigger,
  align = 'start',
  className = 'w-[440px]',
}: {
  /** What is typed. */
  label: string;
  groups: readonly Group[];
  trigger: ReactElement;
  align?: 'start' | 'end';
  className?: string;
}) {
  const [open, setOpen] = useState(false);
  const closing = (group: Group): Group => ({
    ...group,
    items: group.items.map((item) => ({
      ...item,
      run: () => {
        setOpen(false);
        item.run();
      },
    })),
  });
  return (
    <Popup
      open={open}
      onOpen={setOpen}
      align={align}
      className={`max-w-[96vw] ${className}`}
      trigger={trigger}
    >
      {open && <CommandList label={label} groups={groups.map(closing)} />}
    </Popup>
  );
}
