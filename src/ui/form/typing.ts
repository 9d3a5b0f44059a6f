/** Whether a key belongs to a field, so that letters go there and not to the page's keys. */
export function typing(event: KeyboardEvent): boolean {
  const target = event.target;
  return (
    target instanceof HTMLElement &&
    target.closest('input:not([type=checkbox]):not([type=range]), select, textarea, dialog') !== null
  );
}
