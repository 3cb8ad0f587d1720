import { pageUser } from '../../http';
import { AttemptPage } from './AttemptPage';

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  await pageUser('student');
  return <AttemptPage attemptId={(await params).id} />;
}
