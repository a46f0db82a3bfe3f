/** The stations of a walk, front to back; a check's station is its place here, from 1. */
export const STATIONS = [
  'Arrive',
  'Header',
  'Feeder face',
  'Feeder conveyor',
  'Feeder drive',
  'Threshing and separating',
  'Cleaning',
  'Elevators',
  'Belt drives',
  'Rotor drive',
  'Engine side',
  'Residue',
  'Unloading, wheels, cleanliness',
  'Lubrication round',
] as const;
