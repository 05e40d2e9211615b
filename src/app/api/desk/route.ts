import { desks } from '@/desk/routes';

export const dynamic = 'force-dynamic';
export const GET = desks;
