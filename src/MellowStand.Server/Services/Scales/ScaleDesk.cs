using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Scales;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Makes scales out of what is asked, or says what does not exist.</summary>
public sealed class ScaleDesk(HouseRepository house)
{
    private const int MostScales = 60;
    private const int MostUp = 3;

    private static readonly Dictionary<string, ScaleFingering> Fingerings = new()
    {
        ["chosen"] = ScaleFingering.Chosen,
        ["all"] = ScaleFingering.All,
        ["none"] = ScaleFingering.None,
    };

    /// <summary>The school's level.</summary>
    public string Level => House["range-level"];

    private House House => house.House();

    /// <summary>The instrument, which has pitches.</summary>
    /// <exception cref="Refusal">It is not in the catalog, or has none.</exception>
    public static Instrument Instrument(string? id)
    {
        if (string.IsNullOrWhiteSpace(id))
            throw Refusal.BadRequest("Name the instrument, e.g. flute or clarinet-bb. All are listed at /api/instruments.");
        var instrument = Catalog.Find(PieceImport.Instrument(id))!;
        return ScaleSheet.Has(instrument)
            ? instrument
            : throw Refusal.BadRequest($"{instrument.Name} has no scales. Choose an instrument with pitches.");
    }

    /// <summary>The range whose scales are written.</summary>
    /// <exception cref="Refusal">There is no such level.</exception>
    public WrittenRange Range(Instrument instrument, string? level) => ScaleRange.Of(instrument, KnownLevel(level), House);

    /// <summary>The level, the school's where none is named.</summary>
    /// <exception cref="Refusal">There is no such level.</exception>
    public string KnownLevel(string? level) =>
        level is null || WrittenRanges.Levels.Contains(level)
            ? level ?? Level
            : throw Refusal.BadRequest($"The level is {string.Join(", ", WrittenRanges.Levels)}.");

    /// <summary>The music of a list.</summary>
    /// <exception cref="Refusal">Something in it does not exist, or the instrument has not one octave of it.</exception>
    public (string Title, byte[] Music) Write(ScaleListRequest request)
    {
        var instrument = Instrument(request.Instrument);
        var level = KnownLevel(request.Level);
        if (request.Scales is not { Count: > 0 and <= MostScales } asked)
            throw Refusal.BadRequest($"Ask for 1 to {MostScales} scales.");
        var isConcert = Known(request.Pitch ?? "written", "The pitch", "written", "concert") == "concert";
        var placed = asked.Select(a => Placed(Wish(a, isConcert, request.Up), instrument, level)).ToList();
        var title = Names.CleanOrNull(request.Title) ?? (placed.Count == 1 ? placed[0].Title : $"Scales for {instrument.Name}");
        var music = ScaleSheet.Write(title, instrument, placed, Style(request), HouseFor(request.Positions));
        return (title, Core.Formats.MusicXml.ScoreExport.Serialize(music));
    }

    /// <summary>The kind with the name.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static ScaleKind Kind(string? name) =>
        ScaleKinds.Find(name) ?? throw Refusal.BadRequest($"The kind is {string.Join(", ", ScaleKinds.All.Select(k => k.Name))}.");

    private static ScaleWish Wish(ScaleAsk? asked, bool isConcert, int? up)
    {
        if (asked is null)
            throw Refusal.BadRequest("A scale is empty. Leave it out.");
        if (!ScaleTonic.TryParse(asked.Tonic, out var tonic))
            throw Refusal.BadRequest("The tonic is a letter from A to G with at most one sign: C, Bb, F#.");
        if (asked.Octaves is < 1)
            throw Refusal.BadRequest("Octaves are 1 or more. Leave them out for all that the instrument has.");
        if (up is < 0 or > MostUp)
            throw Refusal.BadRequest($"A scale begins 0 to {MostUp} octaves above the lowest tonic of the range.");
        return new ScaleWish(Kind(asked.Kind), tonic)
        {
            IsConcert = isConcert,
            Octaves = asked.Octaves,
            Up = up ?? 0,
        };
    }

    private PlacedScale Placed(ScaleWish wish, Instrument instrument, string level)
    {
        if (ScaleSheet.Place(wish, instrument, level, l => Range(instrument, l)) is { } placed)
            return placed;
        var widest = Range(instrument, WrittenRanges.Levels[^1]);
        throw new Refusal(
            StatusCodes.Status422UnprocessableEntity,
            $"{instrument.Name} has no whole octave of {wish.WrittenFor(instrument).Name} {wish.Kind.Words} "
                + $"from {widest.Low} to {widest.High}{(wish.Up > 0 ? " so far up" : "")}. Choose another tonic, or begin lower."
        );
    }

    private static ScaleStyle Style(ScaleListRequest request) =>
        new(
            ScaleRhythms.Find(request.Rhythm ?? ScaleRhythms.All[0].Name)
                ?? throw Refusal.BadRequest($"The rhythm is {string.Join(", ", ScaleRhythms.All.Select(r => r.Name))}."),
            ScaleSlurs.Find(request.Slurring ?? ScaleSlurs.All[0].Name)
                ?? throw Refusal.BadRequest($"The slurring is {string.Join(", ", ScaleSlurs.All.Select(s => s.Name))}."),
            Known(request.Signs ?? "signature", "The signs are", "signature", "accidentals") == "signature",
            Fingerings[Known(request.Fingerings ?? "chosen", "The fingerings are", [.. Fingerings.Keys])]
        );

    private House HouseFor(string? positions) =>
        positions is null ? House : House.With("bass-positions", Known(positions, "The positions are", "small-steps", "six"));

    private static string Known(string value, string what, params string[] names) =>
        names.Contains(value) ? value : throw Refusal.BadRequest($"{what} {string.Join(" or ", names)}.");
}
