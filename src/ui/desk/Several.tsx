'use client';

import { Select } from 'antd';
import { useTranslations } from 'use-intl';
import { Labelled } from '../entry/Labelled';
import type { TOOLS } from '../tools';

interface Props {
  readonly label: string;
  readonly value: readonly string[];
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly onChange: (values: string[]) => void;
  /** What is not among them may be typed. */
  readonly open?: boolean;
}

/** Several of a list, found by typing. */
export function Several({ label, value, options, onChange, open = false }: Props) {
  return (
    <Labelled label={label}>
      {(id) => (
        <Select<string[]>
          id={id}
          size="large"
          mode={open ? 'tags' : 'multiple'}
          value={[...value]}
          onChange={onChange}
          showSearch={{ optionFilterProp: 'label' }}
          options={[...options]}
          // Codes of languages may be typed one after the other; names of tools have spaces in them.
          tokenSeparators={open ? [',', ' '] : []}
        />
      )}
    </Labelled>
  );
}

/** Tools by the names the rail gives them. */
export function useToolNames(): (tools: typeof TOOLS) => { value: string; label: string }[] {
  const t = useTranslations('tools');
  return (tools) => tools.map(({ id }) => ({ value: id, label: t(`${id}.name` as 'eliminator.name') }));
}
