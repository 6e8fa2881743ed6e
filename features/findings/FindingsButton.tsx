'use client';

import { Button } from 'antd';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useDesign } from '@/features/design/DesignProvider';
import { Verdict } from '@/ui/Verdict';

const FindingsDrawer = dynamic(() => import('./FindingsDrawer').then(({ FindingsDrawer: drawer }) => drawer), { ssr: false });

/** Shows how many faults and cautions are open and opens the list of them. */
export function FindingsButton() {
  const findings = useDesign(({ analysis }) => analysis.findings);
  const [open, setOpen] = useState(false);
  useHotkeys('f', () => setOpen((now) => !now));
  const faults = findings.filter(({ severity }) => severity === 'fault').length;
  const cautions = findings.filter(({ severity }) => severity === 'caution').length;
  return (
    <>
      <Button aria-label={`Findings: ${faults} faults, ${cautions} cautions`} onClick={() => setOpen(true)}>
        {faults + cautions === 0 ? (
          <Verdict severity="ok" />
        ) : (
          <>
            {faults > 0 && <Verdict severity="fault" count={faults} />}
            {cautions > 0 && <Verdict severity="caution" count={cautions} />}
          </>
        )}
        Findings
      </Button>
      {open && <FindingsDrawer onClose={() => setOpen(false)} />}
    </>
  );
}
