import { answering } from '@/app/answers/answering';

export const GET = answering('csvList');
