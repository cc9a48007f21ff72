namespace MellowStand.Storage;

/// <summary>The columns of a <see cref="Stamp"/>.</summary>
internal static class Stamps
{
    public static Stamp Of(Row r) => new(r.Long("revision"), r.Long("quiet"), r.Long("school"), r.Long("school_quiet"));
}
