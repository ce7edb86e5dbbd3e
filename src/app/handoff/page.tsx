import { HandoffView } from '#features/handoff/HandoffView.tsx';

const Page = () => <HandoffView />;

export default Page;
