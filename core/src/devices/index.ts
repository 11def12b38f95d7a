export { roomReading, type RoomReading } from './roomSensor.ts';
export {
  simulatedScale,
  steadyWeight,
  weightInLine,
  type ScaleReading,
  type SimulatedScale,
  type SteadyWeight,
} from './scale.ts';
