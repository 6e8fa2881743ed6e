/** The cautions every design and printout carries. */
export const CAUTIONS: readonly string[] = [
  'Isolate the battery before any work; the fuse goes in last.',
  'Every positive conductor is protected at its source. A battery gives thousands of amperes into a short.',
  'Lead-acid batteries give off explosive gas as they charge: vent them and hold them down. Lithium batteries are never charged below 0 °C.',
  'Keep a fire extinguisher within reach of the panel and of the way out.',
  'Look behind before drilling; keep heat away from lining and foam; work under a vehicle only on stands.',
  'No lamp current through vehicle signal wires: they switch a relay and nothing more.',
  'Auxiliary lamps stay off on the road. White light to the rear and extra lamps to the front are against the law on roads in many places.',
  'Tables here were entered from memory of the published ones: check your own copy before you build.',
  'Local codes and a licensed person come first.',
];
