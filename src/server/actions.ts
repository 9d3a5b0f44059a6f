'use server';
/* The one way in for writes from the screens: action → checked request → use case → repository, carried out once. */
import { headers } from 'next/headers';
import { SIGNED_OUT, askedBy } from './network/asking';
import { isPractice } from '@/core/job/practice';
import { practiseAgain, workshopOf } from './practice';
import { openWorkshop } from './openWorkshop';
import { type Outcome, refuse } from './outcome';
import type { FileRequest, FileRequestName, RequestName, Sent } from './requests';
import { type FileAnswer, actOnFile } from './fileActs';
import { tendStates } from './tendStates';
import type { Workshop } from './workshop';
import { type Answer, carryOut } from './writes';

/** Plain objects only may cross to the browser: whatever else stands in an answer is flattened. */
async function answered<O extends { ok: boolean }>(plain: unknown, act: (workshop: Workshop) => Promise<O>): Promise<O> {
  const house = askedBy(openWorkshop(), await headers());
  if (!house) return refuse(SIGNED_OUT) as unknown as O;
  const jobId = (plain as { jobId?: unknown } | null)?.jobId;
  const workshop = typeof jobId === 'string' && isPractice(jobId) ? { ...workshopOf(jobId), device: house.device } : house;
  const outcome = await act(workshop);
  if (outcome.ok) void tendStates(workshop);
  return JSON.parse(JSON.stringify(outcome)) as O;
}

const answer = <N extends RequestName>(name: N, plain: unknown): Promise<Outcome<Answer<N>>> =>
  answered(plain, (workshop) => carryOut(workshop, name, plain));
const fileAnswer = <N extends FileRequestName>(name: N, plain: unknown): Promise<FileAnswer<N>> =>
  answered(plain, (workshop) => actOnFile(workshop, name, plain));

export const createJobAction = async (plain: Sent<'newJob'>) => answer('newJob', plain);
export const copyJobAction = async (plain: Sent<'copyJob'>) => answer('copyJob', plain);
export const newSetAction = async (plain: Sent<'newSet'>) => answer('newSet', plain);
export const growSetAction = async (plain: Sent<'growSet'>) => answer('growSet', plain);
export const changeSetAction = async (plain: Sent<'changeSet'>) => answer('changeSet', plain);
export const planSetByAction = async (plain: Sent<'planSetBy'>) => answer('planSetBy', plain);
export const rejoinSetAction = async (plain: Sent<'rejoinSet'>) => answer('rejoinSet', plain);
export const typeMeasuredAction = async (plain: Sent<'typeMeasured'>) => answer('typeMeasured', plain);
export const recordTogetherAction = async (plain: Sent<'recordTogether'>) => answer('recordTogether', plain);
export const withdrawTogetherAction = async (plain: Sent<'withdrawTogether'>) => answer('withdrawTogether', plain);
export const archiveAction = async (plain: Sent<'archive'>) => answer('archive', plain);
export const keepCareAction = async (plain: Sent<'keepCare'>) => answer('keepCare', plain);
export const takePassportAction = async (plain: Sent<'takePassport'>) => answer('takePassport', plain);
export const keepHangingAction = async (plain: Sent<'keepHanging'>) => answer('keepHanging', plain);
export const keepVariantAction = async (plain: Sent<'keepVariant'>) => answer('keepVariant', plain);
export const dropVariantAction = async (plain: Sent<'dropVariant'>) => answer('dropVariant', plain);
export const adoptVariantAction = async (plain: Sent<'adoptVariant'>) => answer('adoptVariant', plain);
export const removeJobAction = async (plain: Sent<'removeJob'>) => answer('removeJob', plain);
export const importJobAction = async (plain: Sent<'importJob'>) => answer('importJob', plain);
export const saveInputsAction = async (plain: Sent<'saveInputs'>) => answer('saveInputs', plain);
export const recordStepAction = async (plain: Sent<'recordStep'>) => answer('recordStep', plain);
export const withdrawRecordAction = async (plain: Sent<'withdraw'>) => answer('withdraw', plain);
export const setAsideAction = async (plain: Sent<'setAside'>) => answer('setAside', plain);
export const mendJobAction = async (plain: Sent<'mendJob'>) => answer('mendJob', plain);
export const keepRehearsalAction = async (plain: Sent<'keepRehearsal'>) => answer('keepRehearsal', plain);
export const keepTapsAction = async (plain: Sent<'keepTaps'>) => answer('keepTaps', plain);
export const keepTurnsAction = async (plain: Sent<'keepTurns'>) => answer('keepTurns', plain);
export const keepWeightAction = async (plain: Sent<'keepWeight'>) => answer('keepWeight', plain);
export const keepHandTrialAction = async (plain: Sent<'keepHandTrial'>) => answer('keepHandTrial', plain);
export const keepFeelAction = async (plain: Sent<'keepFeel'>) => answer('keepFeel', plain);
export const keepRemedyAction = async (plain: Sent<'keepRemedy'>) => answer('keepRemedy', plain);
export const keepPlaceAction = async (plain: Sent<'keepPlace'>) => answer('keepPlace', plain);
export const keepNoteAction = async (plain: Sent<'keepNote'>) => answer('keepNote', plain);
export const importAirAction = async (plain: Sent<'importAir'>) => answer('importAir', plain);
export const readSimulatedAirAction = async (plain: Sent<'readSimulatedAir'>) => answer('readSimulatedAir', plain);
export const dropSimulatedAirAction = async (plain: Sent<'dropSimulatedAir'>) => answer('dropSimulatedAir', plain);
export const setItemAction = async (plain: Sent<'setItem'>) => answer('setItem', plain);
export const countItemAction = async (plain: Sent<'countItem'>) => answer('countItem', plain);
export const takeItemAction = async (plain: Sent<'takeItem'>) => answer('takeItem', plain);
export const undoMoveAction = async (plain: Sent<'undoMove'>) => answer('undoMove', plain);
export const buyItemsAction = async (plain: Sent<'buyItems'>) => answer('buyItems', plain);
export const takeDownAction = async (plain: Sent<'takeDown'>) => answer('takeDown', plain);
export const restretchAction = async (plain: Sent<'restretch'>) => answer('restretch', plain);
export const makeFromStockAction = async (plain: Sent<'makeFromStock'>) => answer('makeFromStock', plain);
export const saveCostsAction = async (plain: Sent<'saveCosts'>) => answer('saveCosts', plain);
export const saveWeekAction = async (plain: Sent<'saveWeek'>) => answer('saveWeek', plain);
export const pinTaskAction = async (plain: Sent<'pinTask'>) => answer('pinTask', plain);
export const takePlanAction = async (plain: Sent<'takePlan'>) => answer('takePlan', plain);
export const giveQuoteAction = async (plain: Sent<'giveQuote'>) => answer('giveQuote', plain);
export const setStockAction = async (plain: Sent<'setStock'>) => answer('setStock', plain);
export const recordBatchAction = async (plain: Sent<'recordBatch'>) => answer('recordBatch', plain);
export const addToRackAction = async (plain: Sent<'addToRack'>) => answer('addToRack', plain);
export const takeFromRackAction = async (plain: Sent<'takeFromRack'>) => answer('takeFromRack', plain);
export const recordCutsAction = async (plain: Sent<'recordCuts'>) => answer('recordCuts', plain);
export const addClothAction = async (plain: Sent<'addCloth'>) => answer('addCloth', plain);
export const changeClothAction = async (plain: Sent<'changeCloth'>) => answer('changeCloth', plain);
export const cutClothAction = async (plain: Sent<'cutCloth'>) => answer('cutCloth', plain);
export const saveRulesAction = async (plain: Sent<'saveRules'>) => answer('saveRules', plain);

export const backUpAction = async () => fileAnswer('backUp', {});
export const lookAtBackupAction = async (plain: { name: string }) => fileAnswer('lookAtBackup', plain);
export const restoreBackupAction = async (plain: { name: string }) => fileAnswer('restoreBackup', plain);
export const checkFileAction = async () => fileAnswer('checkFile', {});
export const takeInListAction = async (plain: Sent<'takeInList'>) => answer('takeInList', plain);
export const lookAtListAction = async (plain: FileRequest<'lookAtList'>) => fileAnswer('lookAtList', plain);
export const rebuildFileAction = async () => fileAnswer('rebuildFile', {});

export const openNetworkAction = async (plain: FileRequest<'openNetwork'>) => fileAnswer('openNetwork', plain);
export const closeNetworkAction = async () => fileAnswer('closeNetwork', {});
export const endDeviceAction = async (plain: { id: string }) => fileAnswer('endDevice', plain);
export const changeDeviceAction = async (plain: FileRequest<'changeDevice'>) => fileAnswer('changeDevice', plain);

/** Begins the practice canvas anew. */
export const practiseAgainAction = async (): Promise<void> => practiseAgain();
