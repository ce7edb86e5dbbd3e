import { LogView } from '#features/log/LogView.tsx';

const Page = () => <LogView />;

export default Page;
