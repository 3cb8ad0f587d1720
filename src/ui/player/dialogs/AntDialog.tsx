'use client';

import { Button, Modal } from 'antd';
import { usePlayer } from '../../attempt/PlayerContext';
import { AntLook } from '../../kit/AntLook';
import type { DialogProps } from './Dialog';
import styles from './dialogs.module.css';

/** A dialog in the player's colours and size. */
export function AntDialog({ open, title, onClose, actions, children, wide }: DialogProps) {
  const { look } = usePlayer();
  return (
    <AntLook {...look}>
      <Modal
        open={open}
        title={<span className={styles.title}>{title}</span>}
        onCancel={onClose}
        centered
        width={`min(${wide ? 46 : 34}rem, calc(100vw - 1rem))`}
        footer={
          <div className={styles.actions}>
            {actions.map(({ words, act, main, disabled }) => (
              <Button
                key={words}
                type={main ? 'primary' : 'default'}
                onClick={act}
                disabled={disabled}
                size="large"
                className={styles.action}
              >
                {words}
              </Button>
            ))}
          </div>
        }
      >
        <div className={styles.body}>{children}</div>
      </Modal>
    </AntLook>
  );
}
