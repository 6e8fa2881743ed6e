'use client';

import { Button, type ButtonProps } from 'antd';
import { lazy, Suspense, useState } from 'react';
import type { OpenedMenuProps } from './OpenedMenu';
import { usePreload } from './usePreload';

const load = () => import('./OpenedMenu');

const OpenedMenu = lazy(() => load().then(({ OpenedMenu: menu }) => ({ default: menu })));

const OPENED_LATER = [{ load }];

type MenuButtonProps = Omit<ButtonProps, 'onClick'> & Pick<OpenedMenuProps, 'items' | 'listHeight'>;

/** A button that opens a list of things to do. No page begins with one open: the list is fetched once the page rests. */
export function MenuButton({ items, listHeight, ...button }: MenuButtonProps) {
  const [isAsked, setAsked] = useState(false);
  usePreload(OPENED_LATER);
  const closed = <Button {...button} aria-haspopup="menu" aria-expanded={false} onClick={() => setAsked(true)} />;
  if (!isAsked) return closed;
  // What is typed while it is fetched is meant for it, and no command.
  const opening = (
    <>
      {closed}
      <span hidden data-opening />
    </>
  );
  return (
    <Suspense fallback={opening}>
      <OpenedMenu items={items} listHeight={listHeight} button={button} />
    </Suspense>
  );
}
