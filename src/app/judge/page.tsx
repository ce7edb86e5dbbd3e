import { JudgeView } from '#features/judge/JudgeView.tsx';

const Page = () => <JudgeView />;

export default Page;
