using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>What every rule found in every part, kept so that after a decision only those rules look again that can see what
/// changed.</summary>
public sealed class Examination
{
    private readonly Dictionary<(Part Part, IStudyRule Rule), Finding[]> _found = [];

    private Examination(StudyContext context, Examination? before, bool sameSounds)
    {
        Context = context;
        // The tempos and the order in which the measures are played are everybody's.
        var sameFrame =
            before is not null
            && context.Tempo.SaysTheSame(before.Context.Tempo)
            && context.Score.PlayedOrder.SequenceEqual(before.Context.Score.PlayedOrder);
        foreach (var part in context.Score.Parts)
            foreach (var rule in StudyDesk.Rules)
            {
                var holds = sameFrame && (rule.Reach == Reach.Part || (rule.Reach == Reach.Sounds && sameSounds));
                _found[(part, rule)] =
                    holds && before!._found.TryGetValue((part, rule), out var known) ? known : [.. rule.Examine(context, part)];
            }

        Findings = StudyDesk.InOrder(context.Score.Parts.SelectMany(p => StudyDesk.Rules.SelectMany(r => _found[(p, r)])), context.NameOf);
    }

    /// <summary>What the rules looked at.</summary>
    public StudyContext Context { get; }

    /// <summary>All findings, most severe first within a measure.</summary>
    public IReadOnlyList<Finding> Findings { get; }

    /// <summary>Looks at everything.</summary>
    public static Examination Of(StudyContext context) => new(context, null, sameSounds: false);

    /// <summary>Looks again after a decision: a part that is the same object is taken to be unchanged.</summary>
    /// <param name="context">The score with the decision.</param>
    /// <param name="before">What was found without it, under the same house rules, instruments and players.</param>
    /// <param name="sameSounds">True when no pitch was changed.</param>
    public static Examination After(StudyContext context, Examination before, bool sameSounds) => new(context, before, sameSounds);
}
