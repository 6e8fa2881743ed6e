'use client';

import { Button } from 'antd';

export function PrintButton() {
  return (
    <Button type="primary" onClick={() => window.print()}>
      Print
    </Button>
  );
}
