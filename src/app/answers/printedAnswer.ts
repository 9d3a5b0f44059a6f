import type { TemplateFile } from '@/server/print/templateFile';

/** A file as it is answered: shown where the browser can, else saved; why there is none, in words. */
export function printedAnswer(file: TemplateFile | string): Response {
  if (typeof file === 'string')
    return new Response(file, { status: 404, headers: { 'content-type': 'text/plain; charset=utf-8' } });
  const shown = file.type === 'application/pdf' ? 'inline' : 'attachment';
  return new Response(file.body as BodyInit, {
    headers: { 'content-type': file.type, 'content-disposition': `${shown}; filename="${file.name}"` },
  });
}
