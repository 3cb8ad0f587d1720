'use client';

import { Button, Select, Space } from 'antd';
import { useState } from 'react';
import styles from './desk.module.css';
import { Labelled } from '../entry/Labelled';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  readonly options: readonly { readonly value: number; readonly label: string }[];
  /** What the button does with what is chosen. */
  readonly words: string;
  readonly working: boolean;
  readonly onDo: (value: number) => void;
}

/** Chooses one of a list, to be searched by typing, and does something with it. */
export function Chooser({ label, placeholder, options, words, working, onDo }: Props) {
  const [value, setValue] = useState<number | null>(null);
  const rests = working || value === null;
  return (
    <Space wrap align="end">
      <Labelled label={label}>
        {(id) => (
          <Select
            id={id}
            size="large"
            className={styles.select}
            value={value}
            placeholder={placeholder}
            options={[...options]}
            onChange={setValue}
            showSearch={{ optionFilterProp: 'label' }}
          />
        )}
      </Labelled>
      <Button
        size="large"
        // One that is disabled would lose the focus.
        aria-disabled={rests || undefined}
        onClick={() => value !== null && !working && onDo(value)}
      >
        {words}
      </Button>
    </Space>
  );
}
