'use client';

import { useId, type KeyboardEvent, type ReactNode, type Ref } from 'react';
import type { InteractionModel } from '@/core/interactions/types';
import type { ContentSlots } from '../../content/ContentView';
import { Prompt } from '../Prompt';
import { useTaskName } from '../taskName';

interface Props {
  readonly model: InteractionModel;
  readonly slots: ContentSlots;
  readonly className?: string;
  /** Puts down what is held; asked for by Escape from anywhere inside. False when nothing is. */
  readonly onEscape?: () => boolean;
  /** Whether it counts as one answer place below the edge; not where its parts do. */
  readonly unit?: boolean;
  readonly ref?: Ref<HTMLDivElement>;
  readonly children: ReactNode;
}

/** One answer place with the task as its name: what every block interaction stands in. */
export function Task({ model, slots, className, onEscape, unit = true, ref, children }: Props) {
  const id = useId();
  const name = useTaskName(model, id);
  const keys = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || !onEscape?.()) return;
    event.stopPropagation();
    event.preventDefault();
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Escape puts down from anywhere inside
    <div
      ref={ref}
      className={className}
      role="group"
      {...name}
      data-unit={unit ? 'box' : undefined}
      data-unit-key={unit ? model.responseIdentifier : undefined}
      onKeyDown={keys}
    >
      <Prompt id={id} content={model.prompt} slots={slots} />
      {children}
    </div>
  );
}
