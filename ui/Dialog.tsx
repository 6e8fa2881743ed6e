'use client';

import { Modal, type ModalProps } from 'antd';
import { useRef } from 'react';

const FIELD = 'input:not([type="hidden"], [type="checkbox"], [type="radio"], [type="file"]), textarea';

/** A dialog whose first field has the focus once it is open: the kit gives it to its close button. */
export function Dialog({ children, ...rest }: Omit<ModalProps, 'afterOpenChange'>) {
  const body = useRef<HTMLDivElement>(null);
  return (
    <Modal {...rest} afterOpenChange={(open) => open && body.current?.querySelector<HTMLElement>(FIELD)?.focus()}>
      <div ref={body}>{children}</div>
    </Modal>
  );
}
