'use client';

import { Modal, type ModalProps } from 'antd';
import { useRef } from 'react';

/** What waits for words: not what a table or a link already says, which a key pressed too early would change. */
const FIELD = ':is(input:not([type="hidden"], [type="checkbox"], [type="radio"], [type="file"]), textarea):not([readonly], table *)';

export type DialogProps = Omit<ModalProps, 'afterOpenChange'>;

/** The one dialog, as `Dialog` fetches it. Its first field has the focus once it is open: the kit gives it to its close button. */
export function DialogBox({ children, ...rest }: DialogProps) {
  const body = useRef<HTMLDivElement>(null);
  return (
    <Modal {...rest} afterOpenChange={(open) => open && body.current?.querySelector<HTMLElement>(FIELD)?.focus()}>
      <div ref={body}>{children}</div>
    </Modal>
  );
}
