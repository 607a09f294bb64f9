export { ENOUGH, evidenceOf, type Answered, type Evidence } from './evidence';
export {
  blocksOf,
  sessionMinutes,
  sessionOf,
  skillsDue,
  type PractisedAnswer,
  type SkillDue,
} from './practice';
export { blockRating, dueCards, type BlockRating } from './due';
export { levelOfNext, ratedAfter, ratingOf, UNRATED } from './level';
export {
  BREWER_SKILLS,
  lacksForBrewer,
  nextSaturday,
  signedUntil,
  signOffOf,
  skillsLacking,
} from './signOff';
export {
  areSpoonsEven,
  BATCHES_SEEN,
  batchesSeen,
  calibrationSeen,
  COLOURS_SEEN,
  coloursSeen,
  CORRECTIONS_SEEN,
  correctionsSeen,
  DRAFTS_SEEN,
  draftsTakenSeen,
  HEAT_SEEN,
  heatSeen,
  isBatchRight,
  LADDERS_SEEN,
  laddersSeen,
  LEAF_SEEN,
  leafWeighedSeen,
  LOOKED_AT_NAMES,
  type LookedAt,
  PULLS_SEEN,
  pullsSeen,
  RESCUES_SEEN,
  rescuesSeen,
  type Seen,
  SPOONS_WEIGHED,
  spoonsWeighedSeen,
  spoonUnevenness,
  tablesLedSeen,
  TASTERS_LED,
} from './seen';
export { wilson } from './wilson';
export {
  asCounted,
  DRILL_NAMES,
  DRILLS,
  SKILL_NAMES,
  SKILLS,
  type Drill,
  type Skill,
} from './skills';
export { drillFactsOf, drillTeasOf, type DrillFacts, type DrillVessel } from './drillCups';
export {
  COURSE_IDS,
  courseAs,
  courseOf,
  isLessonDone,
  isToDoDone,
  leftToDo,
  LESSON_IDS,
  lessonAdded,
  lessonMoved,
  lessonOf,
  lessonsDone,
  lessonsLeftOut,
  lessonsTwice,
  lessonTakenOut,
  nextLesson,
  drillsLeft,
  openLesson,
  toDoWords,
  USUAL_COURSES,
  type Course,
  type CourseId,
  type CourseLists,
  type Done,
  type Lesson,
  type LessonId,
  type TableDone,
  type ToDo,
} from './courses';
export {
  boilingLandsAt,
  CURE_LEVERS,
  FACTS,
  FAULT_NAMES,
  FAULTS,
  madeWith,
  type CureLever,
  type Fact,
  type Fault,
  type VesselAct,
} from './diagnosis/faults';
export {
  cupFound,
  diagnosisOf,
  type Cause,
  type Diagnosis,
  type Level,
} from './diagnosis/diagnosis';
export {
  judgedBy,
  scoreDiagnosis,
  type DiagnosisAnswer,
  type DiagnosisScore,
  type Judged,
} from './diagnosis/score';
export { liquorOfMade, TASTED, tasteOfMade, type Six } from './diagnosis/tasted';
export {
  DIAGNOSIS_GUESS,
  DIAGNOSIS_VERSION,
  drawDiagnosis,
  DrillHouse,
  houseCupOf,
  workDiagnosis,
  type DiagnosisGiven,
  type DrillCup,
  diagnosisTry,
  faultsFor,
} from './diagnosis/draw';
export { isPair, PAIR_NAMES, partsOf } from './diagnosis/pairs';
export {
  afterTurns,
  sizesOfLever,
  type Bracket,
  type SizedLever,
  type Turn,
} from './diagnosis/cures';
export {
  ACT_WORDS,
  causeWords,
  cupSentence,
  CURE_WORDS,
  FAULT_LESSONS,
  faultSentence,
  factsWords,
  turnWords,
} from './diagnosis/words';
export { learnerAnswer, type Learner } from './diagnosis/learner';
export { learnerFigure, learnerPicks, learnerShift } from './learner';
export {
  drawOrder,
  ORDER_GUESS,
  orderLadder,
  scoreOrder,
  workOrder,
  type OrderAnswer,
  type OrderGiven,
  type OrderQuestion,
  type OrderScore,
} from './order';
export { GIVEN_BYTES } from './drawnFair';
export { creditOf, judgeTask, type DrillTask } from './task';
export {
  choicesOf,
  figureGuess,
  judgedFigure,
  mistakeOf,
  toDigits,
  type Band,
  type Figure,
  type FigureAnswer,
  type FigureValue,
} from './figure/figures';
export type { FigureWords } from './figure/drill';
export {
  drawFigure,
  FIGURE_DRILL_NAMES,
  FIGURE_DRILLS,
  figureWords,
  isFigureDrill,
  workFigure,
  type FigureDrillName,
  type FigureGivens,
  type FigureQuestion,
} from './figure/registry';
export { drawScale, scaleFigure, type ScaleGiven } from './figure/scale';
export { scaleWorking } from './figure/scaleWords';
export { drawSpoons, spoonsFigure, type SpoonsGiven } from './figure/spoons';
export { heatWorked, type HeatAsk } from './figure/heat';
export { type HeatGiven } from './figure/heatDraw';
export { type FillAsk, type FillGiven, waterBelow } from './figure/fillLine';
export { againFigure, type AgainGiven } from './figure/again';
export { matchFigure, type MatchGiven, matchLiquor } from './figure/match';
export {
  liquorRescued,
  RESCUE_LIVE,
  type RescueAsk,
  rescueCups,
  type RescueGiven,
  type RescueKind,
  tasteRescued,
} from './figure/rescue';
export { rescueInCup } from './figure/rescueWords';
export { type PlanAsk, type PlanGiven } from './figure/coldPlan';
export { packetFigure, type PacketGiven } from './figure/packet';
export {
  drawTurns,
  POUR_RATE,
  poured,
  TURNS_GUESS,
  TURNS_TAPPED,
  type PouredTurn,
  type TurnsAnswer,
  type TurnsGiven,
} from './turns';
export { judgedPicks, type PickAnswer, type PickPart, type PickWorked } from './pick/drill';
export {
  drawPick,
  isPickDrill,
  PICK_DRILL_NAMES,
  PICK_DRILLS,
  workPick,
  type PickDrillName,
  type PickGivens,
  type PickQuestion,
} from './pick/registry';
export type { CausesGiven } from './pick/causes';
export { cupsOfPair, type WhichGiven } from './pick/which';
export {
  FAIR_FACT_WORDS,
  FAIR_FACTS,
  fairFactText,
  type FairFact,
  type FairGiven,
} from './pick/fair';
export { jugLines, type HoldingGiven } from './pick/holding';
export { scoreShift } from './shift/score';
export {
  cupsOfShift,
  HANDS_S,
  MISHAP_LASTS_S,
  SHIFT_PACE,
  SHIFT_S,
  type ShiftCup,
  type ShiftGiven,
} from './shift/orders';
export {
  isShiftOver,
  isSteeping,
  nextMoment,
  type OrderStand,
  refusalOf,
  steepedS,
  type ShiftAct,
  shiftAt,
  type ShiftAnswer,
  type ShiftHand,
  type ShiftRefusal,
  type ShiftStand,
} from './shift/play';
export { drawShift } from './shift/draw';
export { handsThrough, STEADY } from './shift/hands';
export { debriefOf, type OrderDebrief } from './shift/debrief';
export { judgedShift, SHIFT_GUESS } from './shift/judged';
export { seenWords, signWords, skillsOf, type SkillStand } from './stands';
export {
  hatchGap,
  lightnessOf,
  SEEN_AS,
  type SeenAs,
  tasteAtStrength,
  wordsAtStrength,
} from './seenAs';
