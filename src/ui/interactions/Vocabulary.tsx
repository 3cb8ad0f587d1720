import type { ReactNode } from 'react';
import type { InteractionModel } from '@/core/interactions/types';

/** The shared vocabulary classes of an interaction around it (`content/vocabulary.css`); nothing where it asks for none. */
export function Vocabulary({ model, children }: { model: InteractionModel; children: ReactNode }) {
  if (model.inline || model.classes.length === 0) return children;
  return <div className={model.classes.join(' ')}>{children}</div>;
}
