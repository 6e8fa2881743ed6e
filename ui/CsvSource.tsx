'use client';

import { Alert, Button, Input, Upload } from 'antd';
import { useState } from 'react';
import { LIMITS } from '@/core/design/vocabulary';

/** What becomes of a row of CSV, in words. */
export const CSV_ACTIONS = {
  add: { text: 'new', colour: 'green' },
  change: { text: 'changes', colour: 'blue' },
  refuse: { text: 'left out', colour: 'red' },
} as const;

/** CSV from a file or pasted. A file that is too large is refused before it is read. */
export function CsvSource({ text, onText }: { text: string; onText(text: string): void }) {
  const [tooLarge, setTooLarge] = useState(false);
  const read = (file: File) => {
    setTooLarge(file.size > LIMITS.importBytes);
    if (file.size <= LIMITS.importBytes) void file.text().then(onText);
    return false;
  };
  return (
    <>
      <div style={{ display: 'flex', gap: 10, marginBottom: 10 }}>
        <Upload accept=".csv,.tsv,.txt,text/csv" beforeUpload={read} showUploadList={false} maxCount={1}>
          <Button>Choose a file</Button>
        </Upload>
        <Input.TextArea
          aria-label="CSV text"
          rows={3}
          value={text}
          placeholder="or paste it here"
          onChange={(event) => onText(event.target.value)}
        />
      </div>
      {tooLarge && (
        <Alert type="error" showIcon title={`That file is larger than ${LIMITS.importBytes / 1_000_000} MB; nothing was read.`} />
      )}
    </>
  );
}
