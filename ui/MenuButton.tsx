'use client';

import { Button, type ButtonProps } from 'antd';
import { useState, type ComponentType } from 'react';
import type { OpenedMenuProps } from './OpenedMenu';
import { usePreload } from './usePreload';

const load = () => import('./OpenedMenu');

const OPENED_LATER = [{ load }];

type MenuButtonProps = Omit<ButtonProps, 'onClick'> & Pick<OpenedMenuProps, 'items' | 'listHeight'>;

/** A button that opens a list of things to do. No page begins with one open: the list is fetched once the page rests. */
export function MenuButton({ items, listHeight, ...button }: MenuButtonProps) {
  const [Opened, setOpened] = useState<ComponentType<OpenedMenuProps> | null>(null);
  const [fetching, setFetching] = useState<'no' | 'opening' | 'failed'>('no');
  usePreload(OPENED_LATER);
  if (Opened) return <Opened items={items} listHeight={listHeight} button={button} />;
  const open = () => {
    setFetching('opening');
    load().then(
      ({ OpenedMenu }) => setOpened(() => OpenedMenu),
      () => setFetching('failed'),
    );
  };
  return (
    <>
      <Button {...button} aria-haspopup="menu" aria-expanded={false} onClick={open} />
      {/* What is typed while it is fetched is meant for it, and no command. */}
      {fetching === 'opening' && <span hidden data-opening />}
      {fetching === 'failed' && (
        <small role="alert" style={{ color: 'var(--brick)' }}>
          Not reached: try again with a connection
        </small>
      )}
    </>
  );
}
