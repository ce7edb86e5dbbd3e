import { redirect } from 'next/navigation';

const Page = () => redirect('/plan');

export default Page;
