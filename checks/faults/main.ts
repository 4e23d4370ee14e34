/** `npm run faults -- [seed] [rounds]`: every fault in another order each round; the seed makes it the same again. */
import { Chance } from "./chance";
import { FAULT_NAMES, runFaults } from "./run";

const [seed = 1, rounds = 3] = process.argv.slice(2).map(Number);
const began = performance.now();
let wrongs = 0;
for (let round = 0; round < rounds; round++) {
  const own = seed * 1000 + round;
  const faults = new Chance(own).shuffled(FAULT_NAMES);
  const result = await runFaults({ seed: own, faults, say: (sentence) => console.log(`  ${sentence}`) });
  if (result.whyNoDisk)
    console.log(
      `NO POWER WAS CUT AND NO DISK FILLED: this machine mounts no file as a disk (${result.whyNoDisk}).`,
    );
  console.log(
    `round ${round + 1} of ${rounds}, seed ${own}: ${result.edits} edits and ${result.presses} presses acknowledged, ${result.guests} guests, ${faults.length} faults: ${result.wrong.length === 0 ? "all as it should be" : result.wrong.join("; ")}`,
  );
  wrongs += result.wrong.length;
}
console.log(`${wrongs} wrong, ${((performance.now() - began) / 1000).toFixed(0)} s`);
process.exit(wrongs === 0 ? 0 : 1);
