'use client';

import { Dialog } from '@/ui/Dialog';
import { STAGES } from './stages';
import styles from './ShortcutsDialog.module.css';

const GROUPS: { title: string; keys: [keys: string, does: string][] }[] = [
  {
    title: 'Anywhere',
    keys: [
      ['/', 'Find any thing in the design'],
      ['f', 'Open the findings'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['?', 'This sheet'],
      ...STAGES.map(({ key, name }): [string, string] => [`g ${key}`, `Go to ${name}`]),
      ['g t', 'To the table, or where the work of the stage begins'],
      ['g p', 'Go to the report'],
      ['g h', 'Go to all designs'],
    ],
  },
  {
    title: 'Tables',
    keys: [
      ['Arrows', 'Move; with Shift, select a block'],
      ['Enter or type', 'Edit the cell'],
      ['Enter, Tab', 'Take the value, move on'],
      ['Esc', 'Leave the value as it was; again, leave the table'],
      ['Ctrl C, Ctrl V', 'Copy a block; paste from a spreadsheet'],
      ['Delete', 'Empty the cell'],
      ['Ctrl Delete', 'Remove the row'],
      ['Alt Enter', 'Everything about the load'],
      ['n', 'In Loads: name a new load'],
    ],
  },
  {
    title: 'The rig’s plan',
    keys: [
      ['Arrows', 'Move the place by 50 mm; with Shift, by 10 mm'],
      ['Enter', 'Choose the place'],
      ['Delete', 'Remove the place and its routes'],
      ['+, -, 0', 'Zoom in, out, show all'],
    ],
  },
  {
    title: 'Circuits and slots',
    keys: [
      ['Up, Down', 'On a fuse or wire size: step it'],
      ['j, k', 'Next or previous strip'],
      ['o', 'Open or close the strip'],
      ['Space', 'On a slot: pick the fuse up, arrows move it, Space puts it down'],
    ],
  },
];

export function ShortcutsDialog({ onClose }: { onClose(): void }) {
  return (
    <Dialog open title="Keyboard" footer={null} onCancel={onClose} width={860}>
      <div className={styles.groups}>
        {GROUPS.map(({ title, keys }) => (
          <section key={title}>
            <h3>{title}</h3>
            <dl>
              {keys.map(([combination, does]) => (
                <div key={combination}>
                  <dt>
                    <kbd>{combination}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  );
}
