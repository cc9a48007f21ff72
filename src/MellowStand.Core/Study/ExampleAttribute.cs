namespace MellowStand.Core.Study;

/// <summary>Music on which a rule is tried: its test and its page in <c>docs/rules.md</c> are made from it. A rule has at least one on
/// which it finds something and one on which it stays quiet.</summary>
/// <param name="music">The music in the short form (<c>docs/short-form.md</c>).</param>
/// <param name="finds">How many findings of the rule there are.</param>
/// <param name="because">Why, where it is not plain.</param>
[AttributeUsage(AttributeTargets.Class, AllowMultiple = true)]
public sealed class ExampleAttribute(string music, int finds, string because = "") : Attribute
{
    /// <summary>The music in the short form.</summary>
    public string Music => music;

    /// <summary>How many findings of the rule there are.</summary>
    public int Finds => finds;

    /// <summary>Why, where it is not plain.</summary>
    public string Because => because;
}
