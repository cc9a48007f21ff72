namespace MellowStand.Core.Unify;

/// <summary>One kind of difference to look for within a shared line. A new kind is one new file.</summary>
public interface IDifferenceRule
{
    /// <summary>The fixed name of the kind in the HTTP interface.</summary>
    string Kind { get; }

    /// <summary>The rule's own name, where several rules tell one kind.</summary>
    string Name => Kind;

    /// <summary>The differences of a line.</summary>
    IEnumerable<Difference> Find(UnifyContext context, SharedLine line);
}
