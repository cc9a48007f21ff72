using System.Globalization;
using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Names the things that an edition cannot take.</summary>
internal static class UnplacedThings
{
    public static Unplaced Of(Decision d, string why, string? where = null)
    {
        var what = d.Changes.Count == 0 ? "a difference kept as printed" : string.Join(", ", d.Changes.SelectMany(Marks).Distinct());
        return new Unplaced(
            "decision",
            d.Id.ToString(CultureInfo.InvariantCulture),
            what,
            string.Join(", ", new[] { where, Parts(d.Changes.Select(c => c.Part)) }.Where(w => w is { Length: > 0 })),
            why
        );
    }

    public static Unplaced Of(PassageRow p, string why) =>
        new("passage", p.Id.Value.ToString(CultureInfo.InvariantCulture), p.Title, $"{p.Place.Words}, {Parts(p.Place.Parts)}", why);

    public static Unplaced Of(ReviewedFinding q, string why) =>
        new("dismissal", q.Finding, q.Words ?? q.Title, $"{q.Place.Words}, {Parts(q.Place.Parts)}", why);

    public static Unplaced Of(ChosenInstrument i, string why) =>
        new(
            "instrument",
            i.Part,
            $"{Catalog.Find(i.Instrument)?.Name ?? i.Instrument}, chosen by hand",
            i.Name.Length > 0 ? i.Name : i.Part,
            why
        );

    public static Unplaced Of(LeaderRow l, string why) =>
        new("leader", l.Parts, $"{l.Leader} leads the line", Parts(l.Parts.Split(',')), why);

    public static Unplaced Of(SeatRow s, string why) =>
        new("seats", s.Part, $"who plays {(s.Name.Length > 0 ? s.Name : s.Part)}", s.Name.Length > 0 ? s.Name : s.Part, why);

    private static IEnumerable<string> Marks(MarkChange c) => c.Added.Select(m => "add " + m).Concat(c.Removed.Select(m => "remove " + m));

    private static string Parts(IEnumerable<string> ids)
    {
        var all = ids.Distinct().ToList();
        return all.Count == 0 ? "" : (all.Count == 1 ? "part " : "parts ") + string.Join(", ", all);
    }
}
