import Link from 'next/link';

/** The head of a place with several views: its name and the way to each. */
export function ViewsHeader<Id extends string>({
  title,
  path,
  views,
  view,
}: {
  title: string;
  path: string;
  views: readonly { id: Id; name: string }[];
  view: Id;
}) {
  return (
    <header className="hair-b flex flex-wrap items-center gap-x-6 gap-y-1 px-5 py-2">
      <h1 className="text-[22px] leading-7 font-semibold">{title}</h1>
      <nav aria-label={`Views of ${title.toLowerCase()}`} className="no-print flex gap-5 text-[15px]">
        {views.map(({ id, name }) => (
          <Link
            key={id}
            href={`${path}?view=${id}`}
            aria-current={id === view ? 'page' : undefined}
            className={`border-b-[3px] py-1 ${id === view ? 'border-primary font-semibold' : 'soft border-transparent hover:border-[var(--hair)]'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
    </header>
  );
}
