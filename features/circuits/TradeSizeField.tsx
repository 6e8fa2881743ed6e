'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { areaMm2, type ConductorSize } from '@/core/catalog/conductorSizes';
import { readTradeSize, type SizeReading } from '@/core/units/tradeSizes';
import { formatConductor, formatNumber } from '@/core/units/quantity';
import { TextField } from '@/ui/TextField';
import styles from './StripDetail.module.css';

/** A cable as its reel or its seller names it: what can only mean one thing is taken, anything else is asked about. */
export function TradeSizeField({ label, onTake }: { label: string; onTake(conductor: ConductorSize): string | null }) {
  const [asked, setAsked] = useState<{ text: string; readings: SizeReading[] } | null>(null);
  const most = Math.max(...(asked?.readings ?? []).map(({ mm2 }) => mm2));
  return (
    <div>
      <TextField
        key={asked?.text ?? ''}
        label={label}
        text={asked?.text ?? ''}
        placeholder="2.5, 14 AWG, 6 gauge …"
        width={150}
        onCommit={(text) => {
          const readings = readTradeSize(text);
          if (readings.length === 0) return 'a size such as 2.5 mm², 14 AWG or 14-2';
          if (readings.length === 1) return onTake(readings[0]!.conductor);
          setAsked({ text, readings });
          return null;
        }}
      />
      {asked && (
        <div role="group" aria-label={`What is meant by ${asked.text}`} className={styles.asked}>
          <p>
            “{asked.text}” can be read {asked.readings.length} ways. Measure the bare strands, or count them, and choose:
          </p>
          {asked.readings.map(({ conductor, mm2, meaning }) => (
            <Button
              key={conductor + meaning}
              size="small"
              onClick={() => {
                setAsked(null);
                onTake(conductor);
              }}
            >
              {formatConductor(conductor)}: {meaning}
              {Math.abs(mm2 - areaMm2(conductor)) > 0.01 && `, really ${formatNumber(mm2, 1)} mm²`}
              {mm2 < most * 0.99 && `; drops ${formatNumber(most / mm2, 1)} times as much`}
            </Button>
          ))}
          <Button size="small" type="text" onClick={() => setAsked(null)}>
            Leave it
          </Button>
        </div>
      )}
    </div>
  );
}
