import { HouseRulesForm } from '@/features/rules/HouseRulesForm';
import { openWorkshop } from '@/server/openWorkshop';
import { houseRules } from '@/server/house/houseRuleWrites';

export default function RulesPage() {
  const stored = houseRules(openWorkshop());
  return <HouseRulesForm stored={stored} />;
}
