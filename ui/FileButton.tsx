'use client';

import { Button } from 'antd';
import { useRef } from 'react';
import { FileChoice } from './FileChoice';

interface FileButtonProps {
  /** What it says, which is also what the chosen file is called. */
  text: string;
  accept: string;
  onFile(file: File): void;
}

/** A button that lets the person choose a file. */
export function FileButton({ text, accept, onFile }: FileButtonProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <span>
      <Button onClick={() => chooser.current?.click()}>{text}</Button>
      <FileChoice label={text} accept={accept} chooser={chooser} onFile={onFile} problems={[]} />
    </span>
  );
}
