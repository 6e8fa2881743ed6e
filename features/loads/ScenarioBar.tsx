'use client';

import { Select } from 'antd';
import { Ellipsis } from 'lucide-react';
import { useState } from 'react';
import { Edit } from '@/core/design/edit';
import { updateRecords } from '@/core/design/change';
import { newId } from '@/core/design/ids';
import { SETTINGS_ID } from '@/core/catalog/vocabulary';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { Dialog } from '@/ui/Dialog';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { MenuButton } from '@/ui/MenuButton';
import styles from './LoadsStage.module.css';

/** Which scenario the hours belong to, and its making, naming and removing. */
export function ScenarioBar() {
  const store = useDesignStore();
  const scenarios = useDesign(({ analysis }) => analysis.index.scenarios);
  const chosen = useDesign(({ analysis }) => analysis.scenario?.id ?? null);
  const [naming, setNaming] = useState<{ id: string | null; name: string } | null>(null);
  const name = scenarios.find(({ id }) => id === chosen)?.name ?? '';

  const choose = (id: string) =>
    store.commit('Choose the scenario', (design) => updateRecords(design, [{ id: SETTINGS_ID, set: { scenarioId: id } }]));
  const save = () => {
    const wanted = naming?.name.trim();
    if (!naming || !wanted) return;
    setNaming(null);
    store.commit(naming.id ? `Rename scenario to ${wanted}` : `Add scenario ${wanted}`, (design) => {
      const edit = new Edit(design);
      if (naming.id) edit.set(naming.id, { name: wanted });
      else {
        const { id } = edit.add({ id: newId('scn'), type: 'scenario', name: wanted, order: scenarios.length });
        edit.set(SETTINGS_ID, { scenarioId: id });
      }
      return edit.change;
    });
  };
  const remove = () =>
    store.commit(`Remove scenario ${name}`, (design) => {
      const edit = new Edit(design);
      for (const record of design.records.values()) if (record.type === 'duty' && record.scenarioId === chosen) edit.remove(record.id);
      if (chosen) edit.remove(chosen);
      edit.set(SETTINGS_ID, { scenarioId: scenarios.find(({ id }) => id !== chosen)?.id ?? null });
      return edit.change;
    });

  return (
    <span className={styles.scenario}>
      <label htmlFor="scenario">Hours for</label>
      <Select
        id="scenario"
        size="small"
        value={chosen}
        placeholder="no scenario yet"
        onChange={choose}
        popupMatchSelectWidth={false}
        style={{ minWidth: 190 }}
        options={scenarios.map(({ id, name: label }) => ({ value: id, label }))}
      />
      <MenuButton
        size="small"
        type="text"
        aria-label="Scenarios"
        icon={<Ellipsis size={16} />}
        items={[
          { key: 'add', label: 'Add a scenario…', onClick: () => setNaming({ id: null, name: '' }) },
          { key: 'rename', label: 'Rename…', disabled: !chosen, onClick: () => setNaming({ id: chosen, name }) },
          { key: 'remove', label: 'Remove', danger: true, disabled: !chosen, onClick: remove },
        ]}
      />
      {naming && (
        <Dialog
          open
          title={naming.id ? 'Rename the scenario' : 'Add a scenario'}
          okText="Save"
          okButtonProps={{ disabled: nameProblem(naming.name) !== null }}
          onOk={save}
          onCancel={() => setNaming(null)}
          width={380}
        >
          <NameInput
            label="Name of the scenario"
            value={naming.name}
            placeholder="A winter weekend"
            onChange={(name) => setNaming({ ...naming, name })}
            onEnter={save}
          />
        </Dialog>
      )}
    </span>
  );
}
