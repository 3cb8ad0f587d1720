'use client';

import type { ComponentType, ReactNode } from 'react';
import { useFocusBack } from '../../kit/useFocusBack';
import { useLater } from '../../kit/useLater';

export interface DialogAction {
  readonly words: string;
  readonly act: () => void;
  readonly main?: boolean;
  readonly disabled?: boolean;
}
export interface DialogProps {
  readonly open: boolean;
  readonly title: ReactNode;
  readonly onClose: () => void;
  readonly actions: readonly DialogAction[];
  readonly children: ReactNode;
  readonly wide?: boolean;
}

const load = () => import('./AntDialog').then((module) => module.AntDialog);

/** Fetches the dialog's code while the network is there, so that every dialog also opens without it. */
export const preloadDialogs = (): Promise<unknown> => load();

/** Ant Design's dialog, loaded after the question screen stands. */
export function Dialog(props: DialogProps) {
  const { value: AntDialog } = useLater(load, props.open);
  return props.open && AntDialog ? <OpenDialog AntDialog={AntDialog} {...props} /> : null;
}

function OpenDialog({
  AntDialog,
  ...props
}: DialogProps & { readonly AntDialog: ComponentType<DialogProps> }) {
  useFocusBack();
  return <AntDialog {...props} />;
}
