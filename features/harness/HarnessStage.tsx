'use client';

import { Button, Segmented, Select } from 'antd';
import Link from 'next/link';
import { useCallback, useState } from 'react';
import { COLOUR_SCHOOLS, SETTINGS_ID, type ColourSchool } from '@/core/catalog/vocabulary';
import { updateRecords } from '@/core/design/change';
import { colourAll, fixNumbers } from '@/core/harness/editWires';
import { SCHOOL_WORDS } from '@/core/wording/harnessWords';
import { useDesign, useDesignStore } from '@/features/design/DesignProvider';
import { useRefusal } from '@/features/design/useRefusal';
import { useViewQuery } from '@/features/design/useViewQuery';
import { CHOICES } from '@/features/workspace/targets';
import { useHashTarget } from '@/features/workspace/useHashTarget';
import { EmptyStage } from '@/ui/EmptyStage';
import { later, laterOver } from '@/ui/later';
import { usePreload } from '@/ui/usePreload';
import frame from '@/ui/Stage.module.css';
import { MenuButton } from '@/ui/MenuButton';
import { Input } from '@/ui/Input';
import { ScheduleView } from './ScheduleView';
import { GROUPINGS, type WireGrouping } from './scheduleColumns';
import { useHarness } from './useHarness';
import { HARNESS_VIEWS, whereShown, type HarnessView } from './whereShown';
import styles from './Harness.module.css';

const ChoicesView = later(() => import('./ChoicesView').then(({ ChoicesView: view }) => view));
const CutView = later(() => import('./CutView').then(({ CutView: view }) => view));
const PartsListView = later(() => import('./PartsListView').then(({ PartsListView: view }) => view));
const DiagramView = later(() => import('./DiagramView').then(({ DiagramView: view }) => view));
const PanelCutView = later(() => import('./PanelCutView').then(({ PanelCutView: view }) => view));
const LabelsView = later(() => import('./LabelsView').then(({ LabelsView: view }) => view));
const PinsView = later(() => import('./PinsView').then(({ PinsView: view }) => view));
const CablesView = later(() => import('./CablesView').then(({ CablesView: view }) => view));
const LeadsView = later(() => import('./LeadsView').then(({ LeadsView: view }) => view));
const MakingView = later(() => import('./MakingView').then(({ MakingView: view }) => view));
const LoomView = later(() => import('./LoomView').then(({ LoomView: view }) => view));
const ImportHarness = laterOver(() => import('./ImportHarness').then(({ ImportHarness: dialog }) => dialog));
const OPENED_LATER = [
  ImportHarness,
  LoomView,
  MakingView,
  CablesView,
  LeadsView,
  CutView,
  PartsListView,
  DiagramView,
  PanelCutView,
  LabelsView,
  PinsView,
  ChoicesView,
];

/** Stage Harness: every wire with its colour, number, length and ends, the diagram, what to cut and what to buy. */
export function HarnessStage() {
  const designId = useDesign((state) => state.id);
  const count = useDesign(({ analysis }) => analysis.index.wires.length);
  const [shown, setShown] = useState<HarnessView>('schedule');
  const [grouping, setGrouping] = useState<WireGrouping>('circuit');
  const [find, setFind] = useState('');
  const harness = useHarness();
  usePreload(OPENED_LATER);
  const store = useDesignStore();
  const [target, setTarget] = useState<string | null>(null);
  useHashTarget(
    useCallback(
      (id) => {
        const { design } = store.getState();
        const view = id === CHOICES ? 'choices' : whereShown(design, id);
        if (view === null) return;
        setShown(view);
        setTarget(id);
        setFind(view === 'schedule' ? (harness.wires.find(({ wire }) => wire.id === id)?.number ?? '') : '');
      },
      [store, harness],
    ),
  );
  if (count === 0) {
    return (
      <EmptyStage
        title="Wire by wire"
        text="Once circuits are there, every wire stands here with its number, its colour, its length and what is crimped on its ends; the diagram draws itself, and what to cut and to buy is counted."
      >
        <Link href={`/d/${designId}/circuits`}>Give the loads circuits</Link>
      </EmptyStage>
    );
  }
  return (
    <div className={frame.stage}>
      <div className={frame.toolbar}>
        <h2>Harness</h2>
        <div className={styles.views}>
          <Segmented<HarnessView>
            aria-label="What is shown"
            value={shown}
            onChange={(view) => {
              setShown(view);
              // What was looked for among wires is no part, and the other way round.
              if ((view === 'parts') !== (shown === 'parts')) setFind('');
            }}
            options={[...HARNESS_VIEWS]}
          />
        </div>
        {(shown === 'schedule' || shown === 'making') && (
          <Select<WireGrouping>
            size="small"
            aria-label="Group wires"
            value={grouping}
            style={{ width: 150 }}
            onChange={setGrouping}
            options={GROUPINGS}
          />
        )}
        {(shown === 'schedule' || shown === 'making' || shown === 'parts') && (
          <Input
            size="small"
            allowClear
            aria-label={shown === 'parts' ? 'Find parts' : 'Find wires'}
            placeholder={shown === 'parts' ? 'find: fuse, M6, switch' : 'find: red, 07, ring'}
            value={find}
            style={{ width: 170 }}
            onChange={({ target }) => setFind(target.value)}
          />
        )}
        {shown !== 'choices' && <Marking />}
      </div>
      {shown === 'schedule' && <ScheduleView harness={harness} grouping={grouping} find={find} />}
      {shown === 'making' && <MakingView harness={harness} grouping={grouping} find={find} />}
      {shown === 'cables' && <CablesView harness={harness} />}
      {shown === 'leads' && <LeadsView key={target} harness={harness} openAt={target} />}
      {shown === 'diagram' && <DiagramView harness={harness} />}
      {shown === 'loom' && <LoomView harness={harness} />}
      {shown === 'pins' && <PinsView key={target} harness={harness} openAt={target} />}
      {shown === 'panels' && <PanelCutView key={target} openAt={target} />}
      {shown === 'labels' && <LabelsView />}
      {shown === 'cut' && <CutView harness={harness} />}
      {shown === 'choices' && <ChoicesView />}
      {shown === 'parts' && <PartsListView harness={harness} find={find} />}
    </div>
  );
}

/** Numbers and colours for all that have none, by the school chosen. */
function Marking() {
  const id = useDesign((state) => state.id);
  const viewQuery = useViewQuery();
  const school = useDesign(({ analysis }) => analysis.index.settings.colourSchool ?? 'pole');
  const byLabel = useDesign(({ analysis }) => analysis.index.settings.blocksByLabel === true);
  const shown = useDesign((state) => state.design);
  const [taking, setTaking] = useState(false);
  const { commit, refusal } = useRefusal();
  return (
    <span className={styles.right}>
      {taking && <ImportHarness onClose={() => setTaking(false)} />}
      {refusal}
      <Select<ColourSchool>
        size="small"
        aria-label="Colours by"
        title={SCHOOL_WORDS[school].why}
        value={school}
        style={{ width: 232 }}
        popupMatchSelectWidth={380}
        onChange={(colourSchool) =>
          commit('Colours by another school', (now) => updateRecords(now, [{ id: SETTINGS_ID, set: { colourSchool } }]))
        }
        options={COLOUR_SCHOOLS.map((value) => ({ value, label: SCHOOL_WORDS[value].name, title: SCHOOL_WORDS[value].why }))}
      />
      <Button size="small" onClick={() => commit('Colour the wires', (now) => colourAll(now, false, shown))}>
        Colour the rest
      </Button>
      <Button size="small" onClick={() => commit('Number the wires', (now) => fixNumbers(now, shown))}>
        Fix numbers
      </Button>
      <MenuButton
        size="small"
        items={[
          {
            key: 'anew',
            label: 'Colour all of them anew',
            onClick: () => commit('Colour all wires anew', (now) => colourAll(now, true, shown)),
          },
          {
            key: 'blocks',
            label: byLabel ? 'Give each wire of a fuse block a look of its own' : 'Fewer reels: labels tell a fuse block’s wires apart',
            onClick: () =>
              commit('How a block’s wires are told apart', (now) =>
                updateRecords(now, [{ id: SETTINGS_ID, set: { blocksByLabel: byLabel ? undefined : true } }]),
              ),
          },
          { key: 'wires', label: <a href={`/api/designs/${id}/wires.csv${viewQuery}`}>Save the wires as CSV</a> },
          { key: 'parts', label: <a href={`/api/designs/${id}/parts.csv${viewQuery}`}>Save the parts as CSV</a> },
          { key: 'take', label: 'Wires or parts from CSV …', onClick: () => setTaking(true) },
        ]}
      >
        More
      </MenuButton>
    </span>
  );
}
