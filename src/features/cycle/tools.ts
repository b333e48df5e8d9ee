// What one opens from Cycle, in one piece.
export { ChallengeScreen } from './ChallengeScreen';
export { DoseToolScreen } from './DoseToolScreen';
export { EndScreen } from './EndScreen';
export { MethodScreen } from './MethodScreen';
export { ProgrammeScreen } from './ProgrammeScreen';
