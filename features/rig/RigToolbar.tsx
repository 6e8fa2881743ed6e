'use client';

import { Button, Segmented, Select } from 'antd';
import Link from 'next/link';
import { memo } from 'react';
import { useDesign } from '@/features/design/DesignProvider';
import { MenuButton } from '@/ui/MenuButton';
import { LAYER_WORDS, LAYERS, type Layer, type Mode, type Shown } from './selection';
import styles from './RigStage.module.css';

interface RigToolbarProps {
  shown: Shown;
  layer: Layer;
  mode: Mode;
  onShown(shown: Shown): void;
  onLayer(layer: Layer): void;
  onMode(mode: Mode): void;
  /** The drawing over the whole width. */
  large: boolean;
  onLarge(large: boolean): void;
  onKeepClear(): void;
  onTrace(): void;
  onImport(): void;
}

/** What is shown of the vehicle and what can be added to it. */
export const RigToolbar = memo(function RigToolbar(props: RigToolbarProps) {
  const { shown, layer, mode, onShown, onLayer, onMode, large, onLarge, onKeepClear, onTrace, onImport } = props;
  const designId = useDesign(({ id }) => id);
  const file = (ending: string, words: string) => ({ key: ending, label: <a href={`/api/designs/${designId}/${ending}`}>{words}</a> });
  return (
    <div className={styles.toolbar}>
      <h2>Rig</h2>
      <Segmented<Shown>
        size="small"
        aria-label="View"
        value={shown}
        onChange={onShown}
        options={[
          { value: 'both', label: 'Both' },
          { value: 'plan', label: 'Above' },
          { value: 'side', label: 'Side' },
        ]}
      />
      <label className={styles.picker}>
        Coloured by
        <Select
          size="small"
          aria-label="Coloured by"
          value={layer}
          style={{ width: 122 }}
          onChange={onLayer}
          options={LAYERS.map((value) => ({ value, label: LAYER_WORDS[value] }))}
        />
      </label>
      <span className={styles.right}>
        <Button size="small" type={large ? 'primary' : 'default'} aria-pressed={large} onClick={() => onLarge(!large)}>
          Large
        </Button>
        <Button
          size="small"
          type={mode === 'addPlace' ? 'primary' : 'default'}
          aria-pressed={mode === 'addPlace'}
          onClick={() => onMode(mode === 'addPlace' ? 'look' : 'addPlace')}
        >
          Add place
        </Button>
        <Button size="small" onClick={onKeepClear}>
          Keep clear
        </Button>
        <Button size="small" onClick={onTrace}>
          Trace outline
        </Button>
        <MenuButton
          size="small"
          items={[
            file('plan.svg', 'Save the plan as SVG'),
            file('plan.dxf', 'Save the plan as DXF'),
            file('places.csv', 'Save places as CSV'),
            file('routes.csv', 'Save routes as CSV'),
            { key: 'import', label: 'Take places or routes from CSV…', onClick: onImport },
          ]}
        >
          Files
        </MenuButton>
        <Link className={styles.link} href={`/d/${designId}/measure`}>
          Measuring run
        </Link>
      </span>
    </div>
  );
});
