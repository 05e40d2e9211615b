import { changeMood } from '@/desk/routes';

export const POST = changeMood;
