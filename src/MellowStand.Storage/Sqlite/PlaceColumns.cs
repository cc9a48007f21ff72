using MellowStand.Core.Notation;

namespace MellowStand.Storage;

/// <summary>The columns of an address: <c>edition</c>, <c>parts</c>, and index and label of its first and last measure.</summary>
internal static class PlaceColumns
{
    public static Address Place(this Row r) =>
        new(
            r.TextOrNull("edition") ?? "",
            r.Lines("parts"),
            new MeasurePlace(r.Int("from_index"), r.Text("from_label")),
            new MeasurePlace(r.Int("to_index"), r.Text("to_label"))
        );

    public static (string Name, object? Value)[] Values(Address place) =>
        [
            ("edition", place.Edition),
            ("parts", string.Join('\n', place.Parts)),
            ("from", place.From.Index),
            ("fl", place.From.Label),
            ("to", place.To.Index),
            ("tl", place.To.Label),
        ];
}
