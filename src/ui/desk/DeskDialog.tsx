'use client';

import { Modal } from 'antd';
import type { ReactNode } from 'react';

interface Props {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A dialog of the desk: as wide as what is in it needs, never wider than the screen, and made anew each time it is opened. */
export function DeskDialog({ open, title, onClose, children }: Props) {
  return (
    <Modal
      open={open}
      title={title}
      onCancel={onClose}
      footer={null}
      width="min(46rem, 100vw - 2rem)"
      destroyOnHidden
    >
      {children}
    </Modal>
  );
}
