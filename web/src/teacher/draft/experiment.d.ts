/** The experiment document, written from docs/experiment.schema.json. */

export interface PatientKitchenExperiment {
  /**
   * Short pieces of work in one session, in any order, each agreed to and done by itself
   */
  activities?: Activity[];
  age_band: "5-7" | "8-10" | "11-13" | "14-18";
  /**
   * For the teacher
   */
  background?: {
    [k: string]: string;
  };
  /**
   * What the teacher adds to the safety rules; it can only raise a verdict
   */
  cautions?: Caution[];
  changed?: Variable;
  /**
   * What is to be tested, said before; left out: each condition against the control, or all pairs. An empty list: we only look
   */
  claims?: Claim[];
  conditions?: Condition[];
  /**
   * Values for use in formulas: the same for every home, or measured once by each
   */
  constants?: Constant[];
  /**
   * Who does what when several take part
   */
  crew?: Role[];
  derived?: Derived[];
  evidence?: Evidence[];
  expectations?: Expectation[];
  /**
   * The teacher's answers to what a text seems to say and nothing ticked or listed
   */
  heard?: Heard[];
  /**
   * The controlled variables
   */
  kept?: Variable1[];
  /**
   * Codes of the languages families can choose
   */
  languages: string[];
  /**
   * Ids of slips of wording that the teacher leaves as they are
   */
  left?: string[];
  /**
   * How long the lesson is, such as 45 min; left out for work at the family's own time
   */
  lesson?: string;
  /**
   * Of a model: what it gets wrong
   */
  limits?: {
    [k: string]: string;
  }[];
  /**
   * Verdicts of the safety rules that the teacher lowers by one level, with the reason
   */
  lowered?: Lowering[];
  /**
   * Things of the school's own larder that this experiment uses; they travel with it
   */
  materials?: Material[];
  /**
   * The dependent variables
   */
  measured?: Variable1[];
  mistakes?: Mistake[];
  needs?: Need[];
  /**
   * Things that each home chooses itself, within limits
   */
  objects?: Object[];
  /**
   * It is done outside, clear above
   */
  outdoors?: boolean;
  /**
   * Where it is done, such as a kitchen table
   */
  place?: {
    [k: string]: string;
  };
  /**
   * Sheets that are printed at true size
   */
  printables?: (
    | "ruler"
    | "tape"
    | "protractor"
    | "wedge"
    | "grid"
    | "circles"
    | "jar-scale"
    | "spinner"
    | "sundial"
    | "chamber"
    | "colours"
    | "tally"
    | "chart"
  )[];
  /**
   * The question as families read it
   */
  question: {
    [k: string]: string;
  };
  questions?: Question[];
  readings?: Reading[];
  /**
   * Shorter versions, each with what it costs
   */
  reduced?: Reduction[];
  /**
   * Number of the document's form; the present one is 3
   */
  schema: number;
  /**
   * Parts after which one can stop and go on later
   */
  sections?: Section[];
  /**
   * What follows one another in it, at each of which something can be read
   */
  stages?: Choice[];
  /**
   * Of a model: what each thing stands for
   */
  stands_for?: Standing[];
  steps?: Step[];
  /**
   * Swaps of the school's own for the things used
   */
  swaps?: SwapRule[];
  task?: Task;
  teaching?: Teaching;
  /**
   * Short name, by language code
   */
  title: {
    [k: string]: string;
  };
  /**
   * Trials of each condition
   */
  trials: number;
  /**
   * Way of working
   */
  way: "follow-along" | "predict-then-try" | "calculate-first" | "open-challenge" | "watch-shared";
}
export interface Activity {
  id: string;
  /**
   * Ids of its steps, which follow one another
   */
  steps: string[];
  title: {
    [k: string]: string;
  };
}
export interface Caution {
  /**
   * What to do about it
   */
  do: {
    [k: string]: string;
  };
  id: string;
  /**
   * Id of the step
   */
  step: string;
  verdict: "care" | "adult-near" | "adult-does" | "not-at-home";
  /**
   * What could hurt, as a guardian reads it
   */
  why: {
    [k: string]: string;
  };
}
/**
 * The independent variable
 */
export interface Variable {
  /**
   * For a measured variable: the smallest difference that would matter, with unit; a factor above 1 where the scale is ratio
   */
  matters?: string;
  name?: {
    [k: string]: string;
  };
  /**
   * For a measured variable: the id of its reading or derived value
   */
  reading?: string;
  /**
   * For a measured variable: what kind of result it is, in the words of the larder's swaps, such as total-gas; it decides which substitutes compare
   */
  result?: string;
  /**
   * For a measured variable: ratio compares how many times as much, as for times and frequencies
   */
  scale?: "difference" | "ratio";
  /**
   * For a measured variable: a value it is held against, with unit
   */
  stated?: string;
}
export interface Claim {
  /**
   * Id of the condition it is compared with; left out: the control
   */
  against?: string;
  condition?: string;
  id: string;
  /**
   * The smallest size that matters; left out: the value's
   */
  matters?: string;
  /**
   * For share: the id of the option, or right; of several options or words: the one that is compared
   */
  option?: string;
  /**
   * Ids of conditions, the least first; of a reading that is an order its things, from its beginning on
   */
  order?: string[];
  says: "more" | "less" | "differs" | "same" | "rises" | "falls" | "order" | "equals" | "share";
  /**
   * For equals: the value, with unit; for share: the share by chance, such as 1/4; left out: guessing
   */
  stated?: string;
  /**
   * Id of a reading or derived value; left out: the first
   */
  value?: string;
  /**
   * Of zones: the id of the one that is held against its even share
   */
  zone?: string;
}
export interface Condition {
  /**
   * The untreated comparison; at most one
   */
  control?: boolean;
  /**
   * What is different in it
   */
  description?: {
    [k: string]: string;
  };
  id: string;
  /**
   * Id of the reading by which a home measures the level it chose
   */
  level_from?: string;
  name: {
    [k: string]: string;
  };
  /**
   * Of the value
   */
  unit?: string;
  /**
   * Where what is changed is a number: how much of it, such as 15
   */
  value?: string;
}
export interface Constant {
  name: {
    [k: string]: string;
  };
  /**
   * What each home measures once; its value then stands in the place of the usual one
   */
  own?:
    | "teaspoon"
    | "bag"
    | "jar"
    | "reaction"
    | "printed-ruler"
    | "altitude"
    | "kitchen-temperature"
    | "water-temperature";
  /**
   * Its name in formulas
   */
  symbol: string;
  /**
   * With unit, and its give or take where it has one, such as 340 m ± 5 m; of a home's own value the usual one
   */
  value: string;
}
export interface Role {
  does: {
    [k: string]: string;
  };
  id: string;
  /**
   * Such as timekeeper
   */
  word: {
    [k: string]: string;
  };
}
export interface Derived {
  /**
   * Of the readings' symbols; left out where a model works it out
   */
  formula?: string;
  id: string;
  model?: ModelUse;
  name: {
    [k: string]: string;
  };
  unit: string;
}
export interface ModelUse {
  /**
   * Id of the model, such as flight
   */
  id: string;
  /**
   * By input: a reading's symbol, or what would be typed, such as 20 °C
   */
  inputs: {
    [k: string]: string;
  };
  /**
   * What it gives; left out: its answer
   */
  output?: string;
}
export interface Evidence {
  /**
   * Of a talk: to whom
   */
  audience?: {
    [k: string]: string;
  };
  id: string;
  /**
   * Kinds that do as well, for homes that cannot: a pair of pictures is two of them
   */
  instead?: ("photo" | "drawing" | "clip" | "sound" | "text")[];
  kind: "photo" | "photo-pair" | "drawing" | "drawing-pair" | "clip" | "sound" | "flow-chart" | "talk" | "text";
  /**
   * Of a talk: how long, such as 2 min
   */
  length?: string;
  /**
   * What must be visible or said
   */
  must_show?: {
    [k: string]: string;
  };
  name: {
    [k: string]: string;
  };
  /**
   * Of a flow chart: the places to choose from; others can be typed
   */
  places?: Choice[];
  required?: boolean;
}
export interface Choice {
  id: string;
  /**
   * A drawing beside the word
   */
  picture?: "jar-full" | "jar-much" | "jar-half" | "jar-little" | "jar-empty";
  word: {
    [k: string]: string;
  };
}
export interface Expectation {
  /**
   * Id of the condition it holds for; blank for all
   */
  condition?: string;
  /**
   * Id of a reading or derived value
   */
  for: string;
  id: string;
  /**
   * Id of a model of the Workbench
   */
  model: string;
  /**
   * What was typed into the model's blanks
   */
  typed: {
    [k: string]: string;
  };
}
export interface Heard {
  /**
   * It means something else, or the teacher alone does it
   */
  answer: "other" | "teacher";
  /**
   * Name of the teacher
   */
  by?: string;
  /**
   * What the sentence seemed to say, such as flame-lit
   */
  concept: string;
  /**
   * Of the question, as the findings give it
   */
  key: string;
  reason?: string;
}
export interface Variable1 {
  /**
   * For a measured variable: the smallest difference that would matter, with unit; a factor above 1 where the scale is ratio
   */
  matters?: string;
  name?: {
    [k: string]: string;
  };
  /**
   * For a measured variable: the id of its reading or derived value
   */
  reading?: string;
  /**
   * For a measured variable: what kind of result it is, in the words of the larder's swaps, such as total-gas; it decides which substitutes compare
   */
  result?: string;
  /**
   * For a measured variable: ratio compares how many times as much, as for times and frequencies
   */
  scale?: "difference" | "ratio";
  /**
   * For a measured variable: a value it is held against, with unit
   */
  stated?: string;
}
export interface Lowering {
  /**
   * Name of the teacher
   */
  by: string;
  /**
   * The case of the rule, such as kitchen; left out where the rule has one finding in this step
   */
  case?: string;
  /**
   * Printed on the sheet; at least 20 signs
   */
  reason: string;
  rule: string;
  step: string;
}
export interface Material {
  /**
   * Other everyday names, by language
   */
  also?: {
    [k: string]: string[];
  };
  capacity_ml?: Range;
  caveat?: string;
  contains?: Content[];
  cost?: "free" | "cheap" | "moderate";
  figures?: Figure[];
  /**
   * Words that mean this thing first, by language; a word stands at one thing
   */
  first_for?: {
    [k: string]: string[];
  };
  /**
   * Of a fizzy drink: litres of gas a litre
   */
  gas_brought?: number;
  /**
   * Tags of the safety rules
   */
  hazards?: string[];
  id: string;
  /**
   * What it is, property by property, such as metal: zinc-coated
   */
  is?: {
    [k: string]: string;
  };
  /**
   * Allergens that some kinds hold: read the label
   */
  may_hold?: string[];
  name: {
    [k: string]: string;
  };
  /**
   * Added by the school
   */
  own?: boolean;
  piece_g?: Range1;
  /**
   * Known so that it can be refused
   */
  refused?: boolean;
  roles?: string[];
  /**
   * Name of the teacher who answered for it
   */
  said_by?: string;
  shelf?: string;
  usual_place?: string;
}
/**
 * Of a vessel: what fills it to the brim, in mL
 */
export interface Range {
  high: number;
  low: number;
  typical: number;
}
export interface Content {
  /**
   * Per cent by mass, of mass in volume, by volume, or grams in a piece
   */
  basis: "w/w" | "w/v" | "v/v" | "g/piece";
  /**
   * Such as anhydrous
   */
  form?: string;
  high: number;
  low: number;
  substance: string;
  typical: number;
}
export interface Figure {
  high?: number;
  /**
   * Such as rho or bulk
   */
  key?: string;
  low?: number;
  quality?: "well-known" | "typical" | "varies" | "computed" | "choice";
  text: string;
  typical?: number;
  unit?: string;
}
/**
 * Mass of one piece, in grams
 */
export interface Range1 {
  high: number;
  low: number;
  typical: number;
}
export interface Mistake {
  cause?: {
    [k: string]: string;
  };
  mend: {
    [k: string]: string;
  };
  /**
   * What one sees
   */
  see: {
    [k: string]: string;
  };
}
export interface Need {
  /**
   * Quantity with unit, such as 200 mL; of a bag its capacity; blank for a thing
   */
  amount?: string;
  /**
   * How the amount is found; left out: measured. range: anything within it, such as 150 to 200 mL; count: so many, such as 3; eye: no amount, a drawing says about how much
   */
  amount_by?: "measure" | "range" | "count" | "eye";
  /**
   * Ids of materials that may not stand in for it
   */
  barred?: string[];
  /**
   * Several of it, each prepared in another way
   */
  copies?: Copy[];
  /**
   * Of a material that has forms, such as anhydrous
   */
  form?: string;
  id: string;
  /**
   * What may be used instead, in the teacher's words
   */
  instead?: {
    [k: string]: string;
  }[];
  /**
   * material: a thing of the larder; object: an everyday thing with nothing in it that could hurt; left out: not said yet
   */
  kind?: "material" | "object" | "person" | "place";
  /**
   * Of an amount by eye: a jar as full as that
   */
  look?: "jar-full" | "jar-much" | "jar-half" | "jar-little" | "jar-empty";
  /**
   * The preferred thing, an id of the larder such as vinegar-white
   */
  material?: string;
  name: {
    [k: string]: string;
  };
  note?: {
    [k: string]: string;
  };
  optional?: boolean;
  per_condition?: boolean;
  /**
   * What whatever does the job has to be
   */
  qualities?: Quality[];
  /**
   * The job it does, an id of the larder such as mild-acid
   */
  role?: string;
  /**
   * Of a home's plan: the amount in level teaspoons, where it has no scale
   */
  spooned?: number;
  strength?: Strength;
  /**
   * Its name in formulas: the amount that a home really used, for one time; as long as it says nothing the amount above
   */
  symbol?: string;
  tolerance?: "exact" | "about" | "free";
  /**
   * The amount is weighed, not spooned
   */
  weighed?: boolean;
}
export interface Copy {
  id: string;
  /**
   * How, and what for where that helps, such as with holes, so that air comes in
   */
  prepared: {
    [k: string]: string;
  };
}
export interface Quality {
  /**
   * With unit, for a quality that takes one, such as 80 °C
   */
  figure?: string;
  /**
   * Id of a quality of the larder, such as cut-open
   */
  is: string;
}
/**
 * As the label says it
 */
export interface Strength {
  basis: "w/w" | "w/v" | "v/v" | "volumes" | "mol/L";
  value: number;
}
export interface Object {
  /**
   * How many a home chooses
   */
  count: number;
  id: string;
  /**
   * What they have to be like, by their readings
   */
  limits?: Limit[];
  /**
   * What must not be chosen, such as glass
   */
  never?: {
    [k: string]: string;
  };
  /**
   * What to look for, such as upright thing
   */
  what: {
    [k: string]: string;
  };
}
export interface Limit {
  /**
   * Any two of them differ at least by this, such as 50 mm
   */
  apart?: string;
  high?: string;
  low?: string;
  /**
   * Id of a quantity that is taken of each object
   */
  reading: string;
}
export interface Question {
  id: string;
  kind: "choice" | "quantity" | "text" | "order";
  /**
   * For choice and order of the conditions: the least is asked for, or stands first; left out: the most
   */
  least?: boolean;
  /**
   * For choice and order; left out: the conditions
   */
  options?: Choice[];
  text: {
    [k: string]: string;
  };
  /**
   * For quantity
   */
  unit?: string;
  /**
   * before is the prediction
   */
  when: "before" | "while" | "after";
}
export interface Reading {
  /**
   * Whether partly counts as yes or no; left out: between them
   */
  cut?: "yes" | "no" | "between";
  /**
   * Only for those who go deeper: taken where a home chooses to, and never waited for
   */
  deeper?: boolean;
  /**
   * Of an order: the word at its beginning, such as highest
   */
  from?: {
    [k: string]: string;
  };
  guidance?: {
    [k: string]: string;
  };
  /**
   * Physical limit above which a value is asked about
   */
  high?: string;
  id: string;
  /**
   * Tools it can be taken with; the first is the usual one
   */
  instruments?: Instrument[];
  /**
   * Left out: quantity
   */
  kind?:
    | "quantity"
    | "count"
    | "ordinal"
    | "yes-partly-no"
    | "choice"
    | "several"
    | "order"
    | "stage-order"
    | "zones"
    | "words"
    | "event"
    | "position"
    | "text";
  /**
   * Of a scale: 2 to 7 of them, in their order
   */
  levels?: Choice[];
  /**
   * Physical limit below which a value is asked about
   */
  low?: string;
  /**
   * The end of the scale that is more; left out: the last
   */
  most?: "first" | "last";
  name: {
    [k: string]: string;
  };
  /**
   * Of a choice or several: none of them can be chosen
   */
  none?: boolean;
  /**
   * Of an event: the time after the start at which not having happened is an answer, such as 120 min
   */
  not_by?: string;
  /**
   * Of a choice: not sure can be chosen
   */
  not_sure?: boolean;
  /**
   * Of a count or zones: how many there are in all; left out: open
   */
  of?: string;
  /**
   * Of a choice or several
   */
  options?: Choice[];
  /**
   * Of an order of two to five things: asked two at a time
   */
  pairs?: boolean;
  /**
   * Of yes, partly or no: what partly means
   */
  partly?: {
    [k: string]: string;
  };
  /**
   * Parts of which it is taken each by itself
   */
  per?: ("condition" | "object" | "stage")[];
  place?: Place;
  /**
   * How far the same thing measured again falls apart, as one standard deviation
   */
  repeatability?: string;
  /**
   * Of a choice: the id of the right option, if there is one
   */
  right?: string;
  /**
   * Of words: the list of each sense: looks, feels, smells, sounds
   */
  senses?: {
    [k: string]: Choice[];
  };
  /**
   * Of zones: times of looks that are left out, while they settle
   */
  settling?: string[];
  /**
   * Of stage-order: what came one after the other; left out: the stages of the experiment
   */
  stages?: Choice[];
  /**
   * Its name in formulas, of a quantity, count, event or position
   */
  symbol?: string;
  /**
   * Of an order: what is put in order; left out: the conditions
   */
  things?: Choice[];
  /**
   * Planned times, such as 1 min
   */
  times?: string[];
  /**
   * Of an order: the word at its end, such as lowest
   */
  to?: {
    [k: string]: string;
  };
  /**
   * Trials of its own; 1: measured once at each home, whatever is tried again; left out: as many as the design has
   */
  trials?: number;
  /**
   * Of a quantity: shown beside the field; of a count left out
   */
  unit?: string;
  /**
   * Of zones: 2 to 6 of them; the looks are its times
   */
  zones?: Zone[];
}
export interface Instrument {
  /**
   * Read by eye to half a division
   */
  analogue?: boolean;
  id: string;
  name: {
    [k: string]: string;
  };
  /**
   * Smallest step of a display or division of a scale, such as 1 mm
   */
  resolution: string;
}
/**
 * Of a position: the picture it is marked on, and what it comes to
 */
export interface Place {
  /**
   * Left out: distance from the fixed spot. A direction is an angle from straight up, to the right positive, -180 deg to 180 deg
   */
  as?: "distance" | "direction";
  from: Spot;
  /**
   * The drawing on which it is marked
   */
  picture: "field" | "sheet" | "dish" | "glass";
  /**
   * How wide the drawing is in the world, such as 297 mm; left out: a distance is a share of its width, in %
   */
  ruler?: string;
}
/**
 * The fixed spot that is drawn on it
 */
export interface Spot {
  x: number;
  y: number;
}
export interface Zone {
  /**
   * Its share of the whole, in any unit; left out: all zones are alike
   */
  area?: number;
  id: string;
  word: {
    [k: string]: string;
  };
}
export interface Reduction {
  /**
   * What can no longer be said
   */
  costs: {
    [k: string]: string;
  };
  id: string;
  leaves_out: {
    [k: string]: string;
  };
}
export interface Section {
  /**
   * How long after its end the next may begin, such as 40 min
   */
  earliest?: string;
  id: string;
  /**
   * What to keep until it goes on, and where
   */
  keep?: {
    [k: string]: string;
  };
  /**
   * Until when after its end the next should begin
   */
  latest?: string;
  needed_again?: {
    [k: string]: string;
  };
  /**
   * Ids of its steps, which follow one another
   */
  steps: string[];
  throw_away?: {
    [k: string]: string;
  };
  title: {
    [k: string]: string;
  };
}
export interface Standing {
  means: {
    [k: string]: string;
  };
  thing: {
    [k: string]: string;
  };
}
export interface Step {
  /**
   * What is done, in the words of the safety rules, such as scissors or pour
   */
  actions?: string[];
  adult_note?: {
    [k: string]: string;
  };
  /**
   * The vessel is closed
   */
  closed?: boolean;
  /**
   * Ids of the conditions for which it is done; left out: all
   */
  conditions?: string[];
  /**
   * Ids of those who do it; left out: all together
   */
  crew?: string[];
  /**
   * What it says to those who go deeper, under its text; a home can choose to
   */
  deeper?: {
    [k: string]: string;
  };
  /**
   * How long hands are busy, such as 5 min
   */
  duration?: string;
  /**
   * Done in one condition after the other, each by itself
   */
  each?: boolean;
  /**
   * Ids of evidence collected in this step
   */
  evidence?: string[];
  /**
   * In a lesson: homes wait behind it until the teacher says go
   */
  gate?: boolean;
  /**
   * Highest temperature of anything handled, such as 50 °C
   */
  heat?: string;
  /**
   * Small things that make it go well, said at their moment
   */
  helps?: Help[];
  id: string;
  /**
   * Id of the need that is the vessel; what is used in steps without one is judged as put together
   */
  in?: string;
  kind: "prepare" | "do" | "wait" | "measure" | "observe" | "photo" | "clear-up";
  /**
   * What to do while waiting
   */
  meanwhile?: {
    [k: string]: string;
  };
  picture?: StepPicture;
  /**
   * Words of its text of which the teacher said that they mean nothing more
   */
  plain?: string[];
  /**
   * Ids of questions asked in this step
   */
  questions?: string[];
  /**
   * What one should see
   */
  see?: {
    [k: string]: string;
  };
  /**
   * Its text for younger children; a family can choose to read it
   */
  simple?: {
    [k: string]: string;
  };
  /**
   * Readings taken in this step
   */
  takes?: Take[];
  /**
   * What to do, as the family reads it
   */
  text?: {
    [k: string]: string;
  };
  /**
   * For the teacher alone
   */
  tip?: {
    [k: string]: string;
  };
  title: {
    [k: string]: string;
  };
  /**
   * Ids of needs
   */
  uses?: string[];
  vessel?: {
    [k: string]: string;
  };
  /**
   * Of a source put to something wet, such as 4.5 V
   */
  voltage?: string;
  wait?: Wait;
}
export interface Help {
  help:
    | "keep"
    | "put-aside"
    | "look-again"
    | "same-for-all"
    | "hold-before-cutting"
    | "empty-inside"
    | "cover"
    | "test-first"
    | "stop-when"
    | "say-aloud"
    | "hands-first"
    | "two-people";
  /**
   * When it is well: of stop-when what is seen then, of test-first what must be so, of two-people how it goes alone
   */
  pass?: {
    [k: string]: string;
  };
  /**
   * Of put-aside: where, such as on the windowsill
   */
  place?: {
    [k: string]: string;
  };
  /**
   * What it is about, such as the strips; of say-aloud what is said
   */
  thing?: {
    [k: string]: string;
  };
}
/**
 * How it looks when it is done right
 */
export interface StepPicture {
  /**
   * What it shows, for those who do not see it
   */
  alt?: {
    [k: string]: string;
  };
  /**
   * SHA-256 of its file
   */
  id: string;
}
export interface Take {
  condition?: string;
  /**
   * Such as upright-2, the second of the objects called upright
   */
  object?: string;
  reading: string;
  stage?: string;
  time?: string;
  trial?: number;
}
/**
 * Time to let pass before this step
 */
export interface Wait {
  /**
   * Time after which the step may begin; left out: the same as for
   */
  earliest?: string;
  /**
   * Such as 4 min or 14 h
   */
  for: string;
  /**
   * Id of the step whose end starts the clock; left out: the step before
   */
  from?: string;
  /**
   * Time until which the step counts as in time
   */
  latest?: string;
}
export interface SwapRule {
  basis: string;
  class: string;
  effect?: string;
  factor?: Range2;
  from: Side;
  id: string;
  /**
   * Added by the school
   */
  own?: boolean;
  /**
   * What changes in the procedure
   */
  procedure?: string;
  /**
   * What is measured; any for all
   */
  results: string[];
  role: string;
  /**
   * What changes in safety
   */
  safety?: string;
  to: Side;
  worked?: string;
}
/**
 * Amount over amount, where nothing it could be computed from is known
 */
export interface Range2 {
  high: number;
  low: number;
  typical: number;
}
export interface Side {
  form?: string;
  materials?: string[];
  /**
   * Strength, where the rule is about one
   */
  percent?: number;
  /**
   * As strong as what it stands in for
   */
  same_strength?: boolean;
  text: string;
}
/**
 * What its way of working asks beside the steps
 */
export interface Task {
  /**
   * Of calculate-first: amounts that homes work out before they begin; they are hidden until a home asks to see them
   */
  calculate?: Calculation[];
  /**
   * Of an open challenge: what every way of doing it keeps to
   */
  keep_to?: {
    [k: string]: string;
  }[];
  /**
   * What those who watch look for
   */
  watching?: {
    [k: string]: string;
  };
}
export interface Calculation {
  /**
   * Shown one after the other
   */
  hints?: {
    [k: string]: string;
  }[];
  /**
   * Id of a need with an amount
   */
  need: string;
}
/**
 * What stands around it
 */
export interface Teaching {
  /**
   * What is to be learned; for the teacher
   */
  aim?: {
    [k: string]: string;
  };
  /**
   * What is looked at in the work, by method and not by result; families read it
   */
  counts?: {
    [k: string]: string;
  }[];
  /**
   * Goes on from the explanation for those who go deeper; shown with it
   */
  deeper?: {
    [k: string]: string;
  };
  /**
   * Where one meets it at home; families read it before they begin
   */
  everyday?: {
    [k: string]: string;
  };
  /**
   * Why it comes out so; families read it from its release on
   */
  explanation?: {
    [k: string]: string;
  };
  /**
   * What could be tried next; shown with the explanation
   */
  extension?: {
    [k: string]: string;
  };
  /**
   * What is often thought; for the teacher
   */
  misconceptions?: Misconception[];
  /**
   * Its place in the series
   */
  number?: number;
  /**
   * When the explanation is shown: to each home when it has sent its work, to all when it was due, or only told by the teacher; left out: after-due
   */
  release?: "after-sent" | "after-due" | "never";
  /**
   * Name of the series that it belongs to
   */
  series?: {
    [k: string]: string;
  };
  /**
   * What kind of question it is
   */
  sort?: "demonstration" | "observation" | "comparison" | "constant" | "build" | "model" | "challenge" | "own-question";
  /**
   * Where it comes from; for the teacher
   */
  sources?: Source[];
  /**
   * Words that it brings, with what they mean
   */
  vocabulary?: Term[];
}
export interface Misconception {
  so: {
    [k: string]: string;
  };
  thought: {
    [k: string]: string;
  };
}
export interface Source {
  /**
   * Left out: own
   */
  kind?: "own" | "adapted" | "public";
  /**
   * In words, such as a book with its page
   */
  text: string;
}
export interface Term {
  means: {
    [k: string]: string;
  };
  word: {
    [k: string]: string;
  };
}
