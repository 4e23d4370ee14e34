import type { StageRole } from "@/api";
import { coldInstrumentOf, isOnePerson, READING_ALONG, type StagePerson } from "@/core/stage";

/** The first thing on a stage: whose part this screen shows. */
export function WhoAreYou({
  people,
  role,
  onChoose,
}: {
  people: readonly StagePerson[];
  role: StageRole;
  onChoose: (person: string) => void;
}) {
  // Somebody may always read along: before it is known who plays nobody is missed.
  const isKnown = people.length > 0;
  return (
    <section className="mx-auto flex w-full max-w-2xl flex-1 flex-col justify-center gap-4 py-8">
      <h1 className="text-3xl">{role === "viewer" ? "Whose part do you want to see?" : "Who are you?"}</h1>
      {!isKnown && (
        <p className="text-xl" role="status">
          Looking who plays…
        </p>
      )}
      {isKnown && !people.some(({ person }) => isOnePerson(person)) && (
        <p className="text-xl">
          Nobody plays in this evening yet: put players into its songs first. You can read along meanwhile.
        </p>
      )}
      <ul className="grid gap-3 sm:grid-cols-2">
        {people.map(({ person, name, instrument }) => (
          <li key={person}>
            <button
              type="button"
              className="btn btn-lg h-auto w-full justify-between py-3 text-xl"
              onClick={() => onChoose(person)}
            >
              {coldInstrumentOf(person)
                ? "I don’t know the songs"
                : person === READING_ALONG.person
                  ? "I lead, sing or read along"
                  : name}{" "}
              <span className="text-base font-normal">{instrument}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-lg">It can be changed later, under “This screen”.</p>
    </section>
  );
}
