import { pip } from '../../demo/pip';
import { setting, updateRecords } from './change';
import { Edit } from './edit';

/** Held by the compiler: each line marked as wrong must not compile, or `tsc` says that the mark is not needed. */
test('fields that no record has, and values that a field cannot have, do not compile', () => {
  const design = pip();
  const edit = new Edit(design);
  const [wire] = Array.from(design.records.values()).filter((record) => record.type === 'wire');
  edit.set(wire!.id, { lengthMm: 1200, lengthMeasured: true });
  const planted = () => {
    // @ts-expect-error a field that no record has
    edit.set(wire!.id, { lengthMmm: 1200 });
    // @ts-expect-error a field of another kind with a value of neither
    edit.set(wire!.id, { measured: false });
    // @ts-expect-error a size that is none
    edit.set(wire!.id, { conductor: 'thick' });
    // @ts-expect-error a record keeps its id
    edit.set(wire!.id, { id: 'other' });
    // @ts-expect-error of a record at hand, a field of another kind of record
    edit.set(wire!, { ambientC: 40 });
    // @ts-expect-error one of its own beside one of another kind
    edit.set(wire!, { lengthMm: 1200, ratingA: 5 });
    // @ts-expect-error the same in an update
    setting(wire!, { lengthMm: 1200, ratingA: 5 });
    // @ts-expect-error the same where several are set
    updateRecords(design, [{ id: wire!.id, set: { ratingA: '5' } }]);
  };
  expect(planted).toBeDefined();
  expect(edit.change.updated).toMatchObject([{ to: { lengthMm: 1200, lengthMeasured: true } }]);
});
