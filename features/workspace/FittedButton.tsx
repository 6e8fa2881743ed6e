'use client';

import { Button, Tooltip } from 'antd';
import { HardHat } from 'lucide-react';
import { useMemo, useState } from 'react';
import { countProgress } from '@/core/design/asBuilt';
import { useDesign } from '@/features/design/DesignProvider';
import { laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';

const FittedDrawer = laterOver(() => import('./FittedDrawer').then(({ FittedDrawer: drawer }) => drawer));

const OPENED_LATER = [FittedDrawer];

/** Opens what is fitted, and says how much of it. */
export function FittedButton() {
  const whole = useDesign((state) => state.whole);
  const counts = useMemo(() => countProgress(whole), [whole]);
  const [open, setOpen] = useState(false);
  usePreload(OPENED_LATER);
  const isBegun = counts.fitted + counts.temporary + counts.removed > 0;
  const words = isBegun
    ? `Fitted: ${counts.fitted} of ${counts.fitted + counts.planned}${counts.temporary > 0 ? `, ${counts.temporary} for now` : ''}`
    : 'Fitted: nothing marked yet';
  return (
    <>
      <Tooltip title={words}>
        <Button type="text" aria-label={words} icon={<HardHat size={18} />} onClick={() => setOpen(true)} />
      </Tooltip>
      {open && <FittedDrawer onClose={() => setOpen(false)} />}
    </>
  );
}
