export { roomReading, type RoomReading } from './roomSensor.ts';
export {
  simulatedScale,
  steadyWeight,
  weightInLine,
  type ScaleReading,
  type SimulatedScale,
  type SteadyWeight,
} from './scale.ts';
export { simulatedPen, steadyPen, type PenReading, type SimulatedPen } from './pen.ts';
