import { Button, Dropdown, type ButtonProps, type MenuProps } from 'antd';
import { useEffect, useRef, useState } from 'react';

export interface OpenedMenuProps {
  items: NonNullable<MenuProps['items']>;
  /** The most its list is high, px; beyond that it is scrolled. */
  listHeight?: number;
  button: ButtonProps;
}

/** A menu that was just opened, and may be closed and opened again. It takes the place of the button that was pressed, with the focus. */
export function OpenedMenu({ items, listHeight, button }: OpenedMenuProps) {
  const [isOpen, setOpen] = useState(true);
  const own = useRef<HTMLButtonElement>(null);
  useEffect(() => own.current?.focus(), []);
  const show = (open: boolean) => {
    setOpen(open);
    // The focus would go with the menu.
    if (!open && document.activeElement?.closest('[role="menu"]')) own.current?.focus();
  };
  return (
    <Dropdown
      trigger={['click']}
      open={isOpen}
      onOpenChange={show}
      menu={{ items, ...(listHeight !== undefined && { style: { maxHeight: listHeight, overflow: 'auto' } }) }}
    >
      <Button {...button} ref={own} aria-haspopup="menu" aria-expanded={isOpen} />
    </Dropdown>
  );
}
