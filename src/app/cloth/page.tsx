import { ClothPage, type ClothView } from '@/features/cloth/ClothPage';
import { clothJobs, clothStore } from '@/server/cloth/clothWrites';
import { clothMoves } from '@/server/cloth/undoClothMove';
import { openWorkshop } from '@/server/openWorkshop';
import { houseRules } from '@/server/house/houseRuleWrites';

const VIEWS: readonly ClothView[] = ['lay', 'store', 'materials'];

/** The store of cloth: `view` names the part. */
export default async function ClothRoute({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { view } = await searchParams;
  const workshop = openWorkshop();
  return (
    <ClothPage
      view={VIEWS.find((one) => one === view) ?? 'lay'}
      store={clothStore(workshop)}
      moves={clothMoves(workshop)}
      jobs={clothJobs(workshop)}
      stored={houseRules(workshop)}
    />
  );
}
