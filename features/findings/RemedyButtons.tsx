'use client';

import { Button } from 'antd';
import { useDeferredValue, useMemo } from 'react';
import { soundRemedies } from '@/core/findings/soundRemedies';
import type { Finding } from '@/core/findings/types';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';

/** What puts a finding right, a click each. Each is tried before it is offered, a moment after the rest of the page is drawn. */
export function RemedyButtons({ finding, main = false }: { finding: Finding; main?: boolean }) {
  const store = useDesignStore();
  const analysis = useDeferredValue(useDesign((state) => state.analysis));
  const about = useDeferredValue(finding);
  const remedies = useMemo(() => soundRemedies(analysis, about), [analysis, about]);
  return remedies.map(({ label, change }) => (
    <Button key={label} size="small" type={main ? 'primary' : 'default'} onClick={() => store.commit(label, () => change)}>
      {label}
    </Button>
  ));
}
