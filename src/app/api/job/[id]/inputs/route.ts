import { answering } from '@/app/answers/answering';

export const GET = answering('jobInputs');
export const PUT = answering('lastTyped');
