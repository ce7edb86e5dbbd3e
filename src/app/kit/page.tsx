import { KitView } from '#features/kit/KitView.tsx';

const Page = () => <KitView />;

export default Page;
