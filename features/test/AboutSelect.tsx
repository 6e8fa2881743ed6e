'use client';

import { Select } from 'antd';
import { useMemo } from 'react';
import { recordsOf } from '@/core/design/design';
import { nameOf } from '@/core/design/names';
import { useDesign } from '@/features/design/DesignProvider';

interface AboutSelectProps {
  chosen: readonly string[];
  onChange(ids: string[]): void;
}

/** What of the design a line is about. */
export function AboutSelect({ chosen, onChange }: AboutSelectProps) {
  const design = useDesign((state) => state.design);
  const options = useMemo(
    () =>
      (['circuit', 'device', 'place'] as const).flatMap((type) =>
        recordsOf(design, type).map(({ id }) => ({ value: id, label: nameOf(design, id) })),
      ),
    [design],
  );
  return (
    <Select
      mode="multiple"
      showSearch
      aria-label="What it is about"
      placeholder="circuit, part or place"
      style={{ width: '100%' }}
      optionFilterProp="label"
      value={[...chosen]}
      maxCount={20}
      onChange={onChange}
      options={options}
    />
  );
}
