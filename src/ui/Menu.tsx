'use client';
import { DropdownMenu as Menu } from 'radix-ui';
import { useState, type ComponentProps, type MouseEvent, type ReactNode } from 'react';
import { focusAgain } from './focus';

/** A list of lines; it lies over messages too, which stand in the corner for a while. */
const LIST = 'z-[1000000000] max-h-[70vh] min-w-44 overflow-auto border border-ink bg-docket py-1 text-sm';

/** A verb that opens a list of what can be done. */
export function VerbMenu({
  label,
  spoken,
  disabled = false,
  className = 'verb whitespace-nowrap',
  align = 'start',
  tabIndex,
  opened = false,
  children,
}: {
  label: string;
  /** Its name where the word alone does not say of what. */
  spoken?: string;
  disabled?: boolean;
  className?: string;
  align?: 'start' | 'end';
  /** −1 where Tab does not come to it, as in a grid that has one stop. */
  tabIndex?: number;
  /** Whether it opens as it comes. */
  opened?: boolean;
  children: ReactNode;
}) {
  return (
    <Menu.Root defaultOpen={opened}>
      <Menu.Trigger className={className} disabled={disabled} aria-label={spoken} tabIndex={tabIndex}>
        {label}
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content className={LIST} align={align} sideOffset={6} collisionPadding={8} data-arrows>
          {children}
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}

/** The same where there are hundreds of them: all but its verb is made when it is opened first. */
export function LateMenu(props: Omit<ComponentProps<typeof VerbMenu>, 'opened'>) {
  const [opened, setOpened] = useState(false);
  if (opened) return <VerbMenu {...props} opened />;
  const { label, spoken, className, disabled, tabIndex } = props;
  return (
    <button
      className={className}
      disabled={disabled}
      aria-label={spoken}
      aria-haspopup="menu"
      aria-expanded={false}
      tabIndex={tabIndex}
      onClick={() => {
        setOpened(true);
      }}
      onKeyDown={(event) => {
        if (event.key === 'ArrowDown') setOpened(true);
      }}
    >
      {label}
    </button>
  );
}

/**
 * A menu where the other button is pressed, or at what has the focus by the menu key. `takes` says what it is pressed on;
 * null leaves the browser's own menu.
 */
export function useMenuAt<T>(
  label: string,
  takes: (on: Element, at: { x: number; y: number }) => T | null,
  linesOf: (of: T) => ReactNode,
): { onContextMenu: (event: MouseEvent<HTMLElement>) => void; menu: ReactNode } {
  const [at, setAt] = useState<{ x: number; y: number; of: T; from: Element | null } | null>(null);
  return {
    onContextMenu: (event) => {
      const on = event.target as Element;
      const [x, y] = [event.clientX, event.clientY];
      const of = on.closest('input, textarea, a[href]') ? null : takes(on, { x, y });
      if (of === null) return;
      event.preventDefault();
      setAt({ x, y, of, from: document.activeElement });
    },
    menu: at && (
      <Menu.Root
        open
        onOpenChange={(open) => {
          if (!open) setAt(null);
        }}
      >
        <Menu.Trigger
          aria-hidden
          tabIndex={-1}
          className="pointer-events-none fixed h-0 w-0"
          style={{ left: at.x, top: at.y }}
        />
        <Menu.Portal>
          <Menu.Content
            className={LIST}
            aria-label={label}
            align="start"
            collisionPadding={8}
            data-arrows
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              focusAgain(at.from);
            }}
          >
            {linesOf(at.of)}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
    ),
  };
}

export function MenuLine({
  children,
  keys,
  disabled = false,
  onSelect,
}: {
  children: ReactNode;
  /** The key that does the same. */
  keys?: string | undefined;
  disabled?: boolean;
  onSelect: () => void;
}) {
  return (
    <Menu.Item
      onSelect={onSelect}
      disabled={disabled}
      className="flex cursor-pointer items-center gap-3 px-3 py-1 outline-none data-[disabled]:cursor-default data-[disabled]:text-ink-2 data-[highlighted]:bg-thread data-[highlighted]:text-on-thread"
    >
      {children}
      {keys && <span className="measure ml-auto pl-6 opacity-80">{keys}</span>}
    </Menu.Item>
  );
}

/** Lines behind a line: they open beside it. */
export function MenuGroup({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Menu.Sub>
      <Menu.SubTrigger className="flex cursor-pointer items-center gap-3 px-3 py-1 outline-none data-[highlighted]:bg-thread data-[highlighted]:text-on-thread data-[state=open]:bg-thread data-[state=open]:text-on-thread">
        {label}
        <span aria-hidden className="ml-auto pl-6">
          →
        </span>
      </Menu.SubTrigger>
      <Menu.Portal>
        <Menu.SubContent className={LIST} collisionPadding={8} data-arrows>
          {children}
        </Menu.SubContent>
      </Menu.Portal>
    </Menu.Sub>
  );
}

export function MenuHeading({ children }: { children: ReactNode }) {
  return <Menu.Label className="px-3 pb-0.5 pt-1.5 text-xs text-ink-2">{children}</Menu.Label>;
}

export function MenuRule() {
  return <Menu.Separator className="my-1 border-t border-rule" />;
}
