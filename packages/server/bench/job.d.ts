/** A job of so many models in units of 25, through so many stages written by hand, as a project file. */
export declare function jobFile(name: string, models: number, stages: number): {
    format: string;
    version: number;
    writtenAt: string;
    shelf: never[];
    project: {
        id: string;
        name: string;
        dueOn: null;
        evenings: {
            weekdays: number[];
            startsAt: string;
            lengthSeconds: number;
            timeZone: string;
        };
        batchSize: number;
        firstBatch: null;
        batchesInHand: null;
        units: {
            id: string;
            name: string;
            standard: string;
            models: {
                id: string;
                name: string;
                role: string;
                points: number;
            }[];
        }[];
        recipes: never[];
        line: {
            touch?: import("@seriatim/core").Touch;
            handsOnSecondsPerModel?: import("@seriatim/core").Seconds;
            setUpSeconds?: import("@seriatim/core").Seconds;
            dryingMinSeconds?: import("@seriatim/core").Seconds;
            dryingMaxSeconds?: import("@seriatim/core").Seconds;
            nextWithinSeconds?: import("@seriatim/core").Seconds | null;
            cautions?: readonly import("@seriatim/core").Caution[];
            note?: string;
            technique?: import("@seriatim/core").Technique | null;
            id: string;
            name: string;
            material: string;
            notNeededBy: never[];
            limits: never[];
            tableReady: boolean;
        }[];
    };
    events: object[];
};
export type Job = ReturnType<typeof jobFile>;
/** One punch after the other, some seconds apart, up to now: model by model down the first `stages` of the line, and again. */
export declare function punches(job: Job, count: number, stages?: number): object[];
/** Laps of five models each, with the clock started and stopped. */
export declare function laps(job: Job, count: number): object[];
