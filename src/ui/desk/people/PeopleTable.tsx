'use client';

import type { PersonHere, Slip } from '@/core/wire/people';
import { Button, Checkbox, Select, Space, Table, type TableColumnsType } from 'antd';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useTranslations } from 'use-intl';
import { ROLES, type Role } from '@/core/access/access';
import { MOST_SLIPS } from '@/core/wire/requests';
import entry from '../../entry/entry.module.css';
import { Labelled } from '../../entry/Labelled';
import { useAsk } from '../../entry/useAsk';
import desk from '../desk.module.css';
import { useFind } from '../useFind';
import { Slips } from './Slips';

/** Everybody who has an account; those found can be given new passwords, on slips to be printed. */
export function PeopleTable({
  people,
  self,
}: {
  readonly people: readonly PersonHere[];
  readonly self: number;
}) {
  const t = useTranslations('people');
  const router = useRouter();
  const { working, problem, ask } = useAsk();
  const [role, setRole] = useState<Role | 'all'>('all');
  const [chosen, setChosen] = useState<readonly number[]>([]);
  const [change, setChange] = useState(false);
  const [slips, setSlips] = useState<readonly Slip[] | null>(null);
  const { field, found } = useFind(t('search'), people, (one) => [
    one.displayName,
    one.signInName,
    ...one.classes,
  ]);
  const rows = found.filter((one) => role === 'all' || one.role === role);
  const may = chosen.length > 0 && chosen.length <= MOST_SLIPS;
  const make = async () => {
    const answer = await ask<{ slips: readonly Slip[] }>('/api/users/slips', { users: chosen, change }, true);
    if (!answer) return;
    setSlips(answer.slips);
    setChosen([]);
    router.refresh();
  };
  const choosable = rows
    .filter(({ id }) => id !== self)
    .map(({ id }) => id)
    .slice(0, MOST_SLIPS);
  const columns: TableColumnsType<PersonHere> = [
    {
      key: 'choose',
      title: t('chosen'),
      render: (_, { id, displayName }) => (
        <Checkbox
          aria-label={t('choose', { name: displayName })}
          checked={chosen.includes(id)}
          // One's own password is not given to oneself.
          disabled={id === self}
          onChange={({ target }) =>
            setChosen(target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))
          }
        />
      ),
    },
    {
      key: 'name',
      title: t('name'),
      render: (_, { id, displayName }) => (
        <a href={`/desk/people/${id}`} aria-label={t('open', { name: displayName })}>
          {displayName}
        </a>
      ),
      sorter: (a, b) => a.displayName.localeCompare(b.displayName),
    },
    {
      key: 'signIn',
      title: t('signIn'),
      dataIndex: 'signInName',
      sorter: (a, b) => a.signInName.localeCompare(b.signInName),
    },
    { key: 'role', title: t('role'), render: (_, one) => t(`roles.${one.role}`) },
    { key: 'classes', title: t('classes'), render: (_, one) => one.classes.join(', ') || '–' },
    { key: 'password', title: t('password'), render: (_, one) => t(one.hasPassword ? 'set' : 'none') },
    { key: 'from', title: t('from'), render: (_, one) => t(one.ofRoster ? 'ofRoster' : 'ofHere') },
  ];
  return (
    <section aria-labelledby="people" className={desk.rooms}>
      <h2 id="people">{t('here')}</h2>
      <div className={desk.find}>
        {field}
        <Labelled label={t('role')}>
          {(id) => (
            <Select<Role | 'all'>
              id={id}
              size="large"
              value={role}
              onChange={setRole}
              options={[
                { value: 'all', label: t('everybody') },
                ...ROLES.map((value) => ({ value, label: t(`roles.${value}`) })),
              ]}
            />
          )}
        </Labelled>
      </div>
      <p role="status" className={entry.soft}>
        {t('count', { count: rows.length })}
      </p>
      {problem}
      {slips && <Slips slips={slips} onClose={() => setSlips(null)} />}
      <Space wrap className={desk.forAll}>
        <Button size="large" onClick={() => setChosen(choosable)}>
          {t('chooseAll', { count: choosable.length })}
        </Button>
        <Button
          size="large"
          aria-disabled={working || !may || undefined}
          onClick={() => may && !working && void make()}
        >
          {t('makeSlips', { count: chosen.length })}
        </Button>
        <Checkbox checked={change} onChange={({ target }) => setChange(target.checked)}>
          {t('slips.change')}
        </Checkbox>
      </Space>
      <Table
        className={entry.table}
        columns={columns}
        dataSource={rows.map((one) => ({ ...one, key: one.id }))}
        pagination={rows.length > 50 ? { pageSize: 50, showSizeChanger: false } : false}
        scroll={{ x: 'max-content' }}
        locale={{ emptyText: t('empty') }}
        showSorterTooltip={false}
      />
    </section>
  );
}
