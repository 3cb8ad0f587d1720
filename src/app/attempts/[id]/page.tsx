import { pageTaker } from '../../http';
import { AttemptPage } from './AttemptPage';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  await pageTaker();
  return <AttemptPage attemptId={(await params).id} />;
}
