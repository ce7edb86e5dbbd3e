import { PlanView } from '#features/plan/PlanView.tsx';

const Page = () => <PlanView />;

export default Page;
