/** How the combine must stand; the names are the sheet's own. */
export const DOWN = 'Header down in working position';
export const LEVEL = 'Feeder level, drum low, header on the ground';
export const FEEDER_UP = 'Feeder fully raised on its lock';
export const SHIELDS = 'Side shields open, belts seated by turning by hand';
export const FAN = 'Belt seated by turning the fan by hand';
export const BOOT = 'Boot door open and emptied, elevator turned by hand one paddle on';
export const HOOD = 'Rear hood open, rotor turned by hand';
export const SLOW = 'Variable drive run to its slowest, then made safe';
export const FAR = 'Variable drive run until the far sheave is closed, then made safe';
export const COLD = 'Cold, ten minutes after running, on level ground';
export const TUBE = 'Unloading tube in, tank empty';
export const ROTOR_SLOW = 'Rotor drive run to its slowest, then made safe';
export const ANY = 'Header on the ground, doors open';
