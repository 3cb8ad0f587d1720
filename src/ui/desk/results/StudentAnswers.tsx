'use client';

import type { Act } from '@/core/access/access';
import { Questions, type AnswersProps } from '../../entry/Answers';
import { DeskPage } from '../DeskPage';

interface Props extends Omit<AnswersProps, 'needs'> {
  readonly acts: readonly Act[];
  readonly student: string;
  readonly testId: number;
}

/** A student's answers as they were handed in, with the right ones. */
export function StudentAnswers({ name, acts, student, testId, ...answers }: Props) {
  return (
    <DeskPage name={name} acts={acts} place="results">
      <Questions {...answers} magnification={1} back={`/desk/results/${testId}`} student={student} />
    </DeskPage>
  );
}
