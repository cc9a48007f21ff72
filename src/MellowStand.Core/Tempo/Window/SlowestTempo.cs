using System.Globalization;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Tempo;

/// <summary>The slowest tempo at which every phrase fits a breath, or every slur a bow.</summary>
/// <remarks>Between places to breathe: rests, breath marks and the joints of the line. Seconds of a breath and a bow are house rules,
/// longer in advanced players. Common practice, no published source.</remarks>
internal static class SlowestTempo
{
    /// <summary>The tempo; null where nothing is breathed or bowed.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="level">The level of who plays.</param>
    /// <param name="ratio">The tempo of a measure as a share of the tempo at the start of the range.</param>
    public static WindowEnd? Of(StudyContext context, Part part, int from, int to, string level, Func<int, double> ratio)
    {
        var longest = Stretches(context, part, from, to, level)
            .Select(s => (s, Bpm: s.Quarters * 60 / s.Seconds / ratio(s.From.MeasureIndex)))
            .OrderByDescending(x => x.Bpm)
            .FirstOrDefault();
        if (longest.s is not { } stretch)
            return null;
        return new WindowEnd(Math.Ceiling(longest.Bpm * 10) / 10, stretch.From.MeasureIndex, Words(context, stretch));
    }

    /// <summary>The slowest tempo at which the longest note fits one breath; null where nothing is breathed.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="level">The level of who plays.</param>
    public static double? OfOneNote(StudyContext context, Part part, int from, int to, string level)
    {
        if (context.InstrumentOf(part)?.Sustain != Sustain.Breath)
            return null;
        var longest = context
            .MelodyOf(part)
            .Struck.Where(n => n.MeasureIndex >= from && n.MeasureIndex <= to)
            .Select(n => n.SoundingDuration.Value)
            .DefaultIfEmpty()
            .Max();
        return longest * 60 / (Breath.Seconds(context) * CleanLimits.BreathOf(level));
    }

    /// <summary>Where one would breathe or change the bow in the longest stretch, in words: after its tied or longest note near the
    /// middle.</summary>
    public static string Cure(StudyContext context, Part part, int from, int to, string level)
    {
        if (Stretches(context, part, from, to, level).MaxBy(s => s.Quarters / s.Seconds) is not { } stretch)
            return "";
        var notes = context.MelodyOf(part).Notes.Where(n => n.Onset >= stretch.From.Onset && n.Onset < stretch.To.Onset).ToList();
        var company = Company.Cure(context, part, stretch.From.MeasureIndex, stretch.To.MeasureIndex);
        if (notes.Count == 0)
            return stretch.IsBow ? "change the bow apart from each other" : company;
        var middle = (stretch.From.Onset + stretch.To.Onset) / 2;
        var after = notes
            .OrderByDescending(n => n.Heads.Any(h => h.TiedTo is not null))
            .ThenByDescending(n => n.SoundingDuration)
            .ThenBy(n => Math.Abs((n.Onset + n.SoundingDuration - middle).Value))
            .First();
        var what = after.Heads.Any(h => h.TiedTo is not null) ? "the tied note" : $"the {after.Top!.Value.Name}";
        var last = after.Heads.SelectMany(h => h.Tied).LastOrDefault()?.Owner ?? after;
        var place = $"after {what} in measure {context.Label(last.MeasureIndex)}";
        return stretch.IsBow ? $"change the bow {place}" : $"breathe {place}, or {company}";
    }

    private static IEnumerable<Stretch> Stretches(StudyContext context, Part part, int from, int to, string level) =>
        context.InstrumentOf(part)?.Sustain switch
        {
            Sustain.Bow => Bows(context, part, from, to, level),
            Sustain.Breath => Breaths(context, part, from, to, level),
            _ => [],
        };

    private static IEnumerable<Stretch> Breaths(StudyContext context, Part part, int from, int to, string level)
    {
        var seconds = Breath.Seconds(context) * CleanLimits.BreathOf(level);
        return BreathPhrase
            .Of(context.MelodyOf(part))
            .Select(p => p.In(from, to))
            .OfType<BreathPhrase>()
            .SelectMany(p => p.Stretches(context.JointsOf(part)))
            .Select(s => new Stretch(s.From, s.To, seconds, false));
    }

    // Under a single long note the stand partners change apart; a slur is one stroke for all.
    private static IEnumerable<Stretch> Bows(StudyContext context, Part part, int from, int to, string level) =>
        part
            .Slurs.Where(s => s.From.MeasureIndex >= from && s.To.MeasureIndex <= to && s.To.Onset > s.From.Onset)
            .Select(s => new Stretch(s.From, s.To, BowSeconds(context, part, s.From) * CleanLimits.BreathOf(level), true));

    private static double BowSeconds(StudyContext context, Part part, Note note) =>
        BowLength.Seconds(context.House, context.LevelsOf(part).At(note.Onset)?.Level ?? DynamicLevels.Default);

    private static string Words(StudyContext context, Stretch s)
    {
        var seconds = s.Seconds.ToString("0.#", CultureInfo.InvariantCulture);
        var where = context.Measures(s.From.MeasureIndex, s.To.MeasureIndex);
        return s.IsBow
            ? $"The slur in {where} is one bow, and a bow lasts {seconds} seconds."
            : $"The phrase in {where} is one breath, and a breath lasts {seconds} seconds.";
    }

    private sealed record Stretch(Note From, Note To, double Seconds, bool IsBow)
    {
        public double Quarters => (To.Onset + To.SoundingDuration - From.Onset).Value;
    }
}
