import { answering } from '@/app/answers/answering';

export const POST = answering('broughtFile');
