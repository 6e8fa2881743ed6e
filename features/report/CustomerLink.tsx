'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';

const LinkDialog = laterOver(() => import('./LinkDialog').then(({ LinkDialog: dialog }) => dialog));

const OPENED_LATER = [LinkDialog];

/** Opens what hands out an address for the customer. */
export function CustomerLink({ designId }: { designId: string }) {
  const [isOpen, setOpen] = useState(false);
  usePreload(OPENED_LATER);
  return (
    <>
      <Button onClick={() => setOpen(true)}>Link for the customer</Button>
      {isOpen && <LinkDialog designId={designId} onClose={() => setOpen(false)} />}
    </>
  );
}
