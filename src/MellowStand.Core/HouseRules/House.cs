namespace MellowStand.Core.HouseRules;

/// <summary>The answers a school has chosen; a question without an answer has its default.</summary>
/// <param name="Answers">Rule name to choice key.</param>
public sealed record House(IReadOnlyDictionary<string, string> Answers)
{
    /// <summary>All defaults.</summary>
    public static House Default { get; } = new(new Dictionary<string, string>());

    /// <summary>The same with another answer to one rule.</summary>
    public House With(string rule, string choice) => new(new Dictionary<string, string>(Answers) { [rule] = choice });

    /// <summary>The choice in force for a rule.</summary>
    /// <exception cref="ArgumentException">There is no rule with the name.</exception>
    public string this[string rule]
    {
        get
        {
            var known = HouseRuleCatalog.Find(rule) ?? throw new ArgumentException($"There is no house rule \"{rule}\".", nameof(rule));
            return Answers.TryGetValue(rule, out var key) && known.Choices.Any(c => c.Key == key) ? key : known.Default;
        }
    }
}
