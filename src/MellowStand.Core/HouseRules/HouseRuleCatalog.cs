namespace MellowStand.Core.HouseRules;

/// <summary>All switches of the house, each with its default first.</summary>
/// <remarks>Questions, schools and defaults: common practice, no published source.</remarks>
public static class HouseRuleCatalog
{
    /// <summary>Every switch, in the order of the page.</summary>
    public static IReadOnlyList<HouseRule> All { get; } =
    [
        Rule("dynamics-start", "When do dynamics come in?", "first-day|from the first slow day", "after-notes|after notes and rhythm"),
        Rule("ornaments", "How are ornaments practiced?", "add-later|leave out, then add", "always-in|always in, slower"),
        Rule(
            "trill-start",
            "Where does a trill start?",
            "written|on the written note; on the upper note in early style",
            "upper|on the upper note"
        ),
        Rule("trill-end", "How does a trill end?", "stop|stop on the beat before the closing notes", "run-through|run through"),
        Rule("graces", "Where do grace notes fall?", "before|before the beat", "on-beat|on the beat"),
        Rule(
            "fermata",
            "How long is a fermata held when a passage is played?",
            "past|past its own value, three beats or more",
            "double|twice its value",
            "in-time|its written value, in time"
        ),
        Rule(
            "chunks",
            "In which order are chunks practiced?",
            "hardest-first|hardest first",
            "from-start|from the start",
            "from-end|from the end",
            "joined|one after the other, then joined: 1, 2, 1 + 2, 3, 1 + 2 + 3"
        ),
        Rule("counting-words", "Which counting words?", "1e&a|1 e & a, 1 la li", "trip-let|1 trip let", "takadimi|ta-ka-di-mi"),
        Rule(
            "fourth-finger",
            "When is the fourth finger used instead of an open string?",
            "longer-than-2|for notes longer than 2 beats",
            "always|whenever long",
            "open-allowed|open string allowed"
        ),
        Rule(
            "home-position",
            "When do string players leave the first position?",
            "by-level|the less, the fewer years they have played",
            "by-need|when a passage needs it",
            "first|only for notes beyond it",
            "free|wherever the hand lies best"
        ),
        Rule("bass-positions", "How are bass positions numbered?", "small-steps|many small steps", "six|six larger ones"),
        Rule(
            "slide-attachment",
            "When does a trombone's attachment serve?",
            "throws-and-slurs|for a long throw, and where it makes a slur natural",
            "throws|for a long throw only, as in the first years"
        ),
        Rule("mallets", "How do mallets begin?", "alternate|alternate from either hand", "right-leads|right hand leads"),
        Rule("two-slurs", "Which of two printed slurs wins?", "longer|the longer", "shorter|the shorter", "edition|as this edition has it"),
        Rule(
            "goal-tempo",
            "What is the goal tempo?",
            "fast-as-clean|as fast as clean, inside the printed range",
            "printed|the printed tempo"
        ),
        Rule(
            "breath-seconds",
            "How many seconds of playing is one breath?",
            "10|ten, a school player at a middle level",
            "8|eight, younger players",
            "12|twelve",
            "15|fifteen, trained players"
        ),
        Rule(
            "bow-seconds",
            "How many seconds does a whole bow last at mezzo forte?",
            "5|five",
            "4|four, younger players",
            "6|six",
            "8|eight, trained players"
        ),
        Rule("level-decibels", "How many decibels lie between two written levels?", "5|five", "3|three", "4|four", "6|six"),
        Rule(
            "range-level",
            "Which range is asked where no player's own level is known?",
            "comfortable|comfortable, about four years of playing",
            "advanced|advanced",
            "extreme|all that the instrument gives"
        ),
        Rule(
            "ladder",
            "How does a tempo ladder climb?",
            "step|by a fixed step",
            "percent|by a percentage",
            "marks|by the traditional metronome marks"
        ),
        Rule(
            "move-on",
            "When does a player move on to the next tempo step?",
            "three-clean|three clean in a row up, two missed back",
            "five-clean|five clean in a row up, two missed back",
            "once-clean|one clean, the next step"
        ),
        Rule(
            "section-ready",
            "How many of a section may still miss a passage when the section is called ready?",
            "one-in-ten|one in ten",
            "none|none, everybody has it",
            "one|one",
            "one-in-five|one in five"
        ),
    ];

    /// <summary>The rule with the name, or null.</summary>
    public static HouseRule? Find(string name) => All.FirstOrDefault(r => r.Name == name);

    private static HouseRule Rule(string name, string question, params string[] choices) =>
        new(name, question, [.. choices.Select(c => c.Split('|')).Select(c => new HouseChoice(c[0], c[1]))]);
}
