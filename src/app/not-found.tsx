import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="flex flex-1 flex-col items-start gap-3 px-5 py-10">
      <h1 className="text-[22px] font-semibold">There is no such page or job</h1>
      <p className="soft">It may have been a link from another workshop.</p>
      <Link href="/" className="btn btn-primary">
        To the bench
      </Link>
    </main>
  );
}
