import { LutsView } from '#features/luts/LutsView.tsx';

const Page = () => <LutsView />;

export default Page;
