using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Auditions;

/// <summary>The matters of an audition set. A new one is one more entry.</summary>
/// <remarks>Common practice, no published source. What can be written into the music is written; what is a manner of playing is told to the
/// players at its place, on sheets and letters.</remarks>
public static class MatterTable
{
    private const string AsItStands = "as-printed";

    /// <summary>Every matter.</summary>
    public static IReadOnlyList<Matter> All { get; } =
    [
        new(
            "no-dynamics",
            "No dynamics are printed: which level?",
            [
                new("proposed", "the level that the music proposes", "Levels are written in where none were printed.", Proposed),
                Level("mf", "mezzo forte"),
                Level("mp", "mezzo piano"),
                Level("f", "forte"),
            ],
            MatterPlaces.NoDynamics
        ),
        new(
            "staccato",
            "How long is a staccato note?",
            [
                Say("half", "half its value", "Staccato sounds about half its value and sings: separated, never pecked."),
                Say("short", "a third of its value", "Staccato is short here, about a third of its value, with a tone of its own."),
                Say("long", "two thirds of its value", "Staccato is long here, about two thirds of its value: a small gap only."),
            ],
            MatterPlaces.Staccato
        ),
        new(
            "trill-start",
            "Where do trills start?",
            [
                Say("written", "on the written note", "Start the trill on the written note."),
                Say("upper", "on the upper note", "Start the trill on the upper note, on the beat."),
            ],
            MatterPlaces.Trills
        ),
        new(
            "trill-end",
            "Where do trills stop?",
            [
                Say("stop", "on the beat before the closing notes", "Stop the trill in time, on the beat before the closing notes."),
                Say("run-through", "they run into the next note", "Let the trill run into the next note without a stop."),
            ],
            MatterPlaces.Trills
        ),
        new(
            "portato",
            "Dots under a slur: how?",
            [
                Say("soft", "soft new starts in one breath or bow", "Dots under a slur: soft new starts inside one breath or bow."),
                Say("separate", "lightly separated", "Dots under a slur: lightly separated, the slur is the phrase."),
            ],
            MatterPlaces.Portato
        ),
        new(
            "graces",
            "Where do graces fall?",
            [
                Say("before", "before the beat", "The grace comes before the beat; the main note is on it."),
                Say("on-beat", "on the beat", "The grace falls on the beat and is light; the main note follows at once."),
            ],
            MatterPlaces.Graces
        ),
        new(
            "breaths",
            "Breath marks are missing: write them in?",
            [
                new(
                    "proposed",
                    "at the places that fit a breath",
                    "Breaths are written in where they fit a breath: keep to them.",
                    Proposed
                ),
                Say("own", "each player marks their own", "Choose where to breathe, mark it, and breathe there every time."),
            ],
            MatterPlaces.Breaths
        ),
        new(
            "two-slurs",
            "Two slurs over the same notes: which one?",
            [
                new("longer", "the longer", "Of two slurs over the same notes the longer counts.", p => Without(p, p.Inner)),
                new("shorter", "the shorter", "Of two slurs over the same notes the shorter counts.", p => Without(p, p.Notes)),
                Say(
                    AsItStands,
                    "as this edition has it",
                    "Both slurs stand: the longer is the phrase, the shorter is the bow or the tongue."
                ),
            ],
            MatterPlaces.TwoSlurs
        ),
        new(
            "vibrato",
            "What is done about vibrato?",
            [
                Say(AsItStands, "as printed", "Vibrato as printed."),
                Say("none", "none at all", "No vibrato in the whole etude."),
                Say("long", "on long notes only, warm and even", "Vibrato on long notes only, warm and even."),
            ],
            MatterPlaces.Vibrato
        ),
    ];

    /// <summary>The matter with the name, or null.</summary>
    public static Matter? Find(string? name) => All.FirstOrDefault(m => m.Name == name);

    private static MatterAnswer Say(string name, string words, string told) =>
        new(name, words, told, p => new MarkChange(p.Part, [p.Notes[0]], [new Mark("remark", told)], []));

    private static MatterAnswer Level(string level, string words) =>
        new(
            level,
            words,
            $"Where no level is printed, begin {words}.",
            p => new MarkChange(p.Part, [p.Notes[0]], [new Mark("dynamics", level)], [])
        );

    private static MarkChange? Proposed(MatterPlace place) =>
        place.Proposed is { } mark ? new MarkChange(place.Part, [place.Notes[0]], [mark], []) : null;

    private static MarkChange Without(MatterPlace place, IReadOnlyList<string> slur) => new(place.Part, slur, [], [new Mark("slur")]);
}
