namespace MellowStand.Core.Tests.Unify.Band;

/// <summary>A slip of the copyist: what kind of difference it makes, in which part and measure.</summary>
internal sealed record Slip(string Kind, int Part, int Measure, string What);

/// <summary>Slips as copyists make them: a mark forgotten, a stray one, a slur missing or short, a level forgotten or wrong, a hairpin
/// forgotten, a wrong accidental, a dotted figure for an even one. Notes keep their number, so that they can be compared one by
/// one.</summary>
internal sealed class BandSlips(Random random)
{
    private static readonly Func<BandSlips, List<List<BandNote>>, int, (string Kind, string What)?>[] Ways =
    [
        (s, part, m) => s.ForgetMark(part[m]),
        (s, part, m) => s.ForgetMark(part[m]),
        (s, part, m) => s.StrayMark(part[m]),
        (s, part, m) => s.OtherMark(part[m]),
        (s, part, m) => s.ForgetSlur(part[m]),
        (s, part, m) => s.ForgetSlur(part[m]),
        (s, part, m) => s.ShortSlur(part[m]),
        (s, part, m) => s.ForgetLevel(part[m]),
        (s, part, m) => s.WrongLevel(part[m]),
        (s, part, m) => ForgetHairpin(part, m),
        (s, part, m) => s.WrongPitch(part[m]),
        (s, part, m) => s.Ornament(part[m]),
        (s, part, m) => s.Dotted(part[m]),
    ];

    /// <summary>Plants slips, no two in one measure of a part or beside each other.</summary>
    public List<Slip> Plant(List<BandPart> parts, int count)
    {
        var slips = new List<Slip>();
        for (var attempt = 0; attempt < count * 60 && slips.Count < count; attempt++)
        {
            var part = random.Next(parts.Count);
            var measure = random.Next(parts[part].Measures.Count);
            if (slips.Any(s => s.Part == part && Math.Abs(s.Measure - measure) < 2))
                continue;
            if (Ways[random.Next(Ways.Length)](this, parts[part].Measures, measure) is { } done)
                slips.Add(new Slip(done.Kind, part, measure, done.What));
        }

        return slips;
    }

    private (string, string)? ForgetMark(List<BandNote> m) =>
        Change(m, n => n.Marks.Length > 0, n => n with { Marks = "" }, "articulation", "forgotten");

    private (string, string)? StrayMark(List<BandNote> m) =>
        Change(
            m,
            n => n is { Marks: "", Step: not null },
            n => n with { Marks = random.Next(2) == 0 ? "." : ">" },
            "articulation",
            "stray"
        );

    private (string, string)? OtherMark(List<BandNote> m) =>
        Change(m, n => n.Marks is "." or ">", n => n with { Marks = n.Marks == "." ? "-" : "^" }, "articulation", "other");

    private (string, string)? WrongPitch(List<BandNote> m) =>
        Change(m, n => n.Step is not null, n => n with { Alter = (n.Step! % 7) is 2 or 6 ? -1 : 1 }, "pitch", "wrong");

    private (string, string)? Ornament(List<BandNote> m) =>
        Change(m, n => n is { Marks: "", Step: not null, Eighths: >= 2 }, n => n with { Marks = "tr" }, "ornament", "stray");

    private (string, string)? WrongLevel(List<BandNote> m) =>
        Change(
            m,
            n => LevelOf(n) is not null,
            n => n with { Before = n.Before.Replace(LevelOf(n)!, LevelOf(n) is "!p" or "!mp" ? "!f" : "!p", StringComparison.Ordinal) },
            "dynamic",
            "wrong"
        );

    private (string, string)? ForgetLevel(List<BandNote> m) =>
        Change(
            m,
            n => LevelOf(n) is not null,
            n => n with { Before = n.Before.Replace(LevelOf(n)!, "", StringComparison.Ordinal).Trim() },
            "dynamic",
            "forgotten"
        );

    private (string, string)? ForgetSlur(List<BandNote> m)
    {
        var (from, to) = SlurIn(m);
        if (to <= from)
            return null;
        m[from] = m[from] with { SlurStart = false };
        m[to] = m[to] with { SlurStop = false };
        return ("slur", "forgotten");
    }

    private (string, string)? ShortSlur(List<BandNote> m)
    {
        var (from, to) = SlurIn(m);
        if (to <= from + 1)
            return null;
        m[to] = m[to] with { SlurStop = false };
        m[to - 1] = m[to - 1] with { SlurStop = true };
        return ("slur", "short");
    }

    private (string, string)? Dotted(List<BandNote> m)
    {
        var places = Enumerable
            .Range(0, m.Count - 1)
            .Where(i => m[i].Step is not null && m[i + 1].Step is not null && m[i].Eighths == 2 && m[i + 1].Eighths == 2)
            .ToList();
        if (places.Count == 0)
            return null;
        var i = places[random.Next(places.Count)];
        m[i] = m[i] with { Eighths = 3 };
        m[i + 1] = m[i + 1] with { Eighths = 1 };
        return ("rhythm", "dotted");
    }

    private static (string, string)? ForgetHairpin(List<List<BandNote>> part, int measure)
    {
        var i = part[measure].FindIndex(n => n.Before.Contains("!<", StringComparison.Ordinal));
        if (i < 0)
            return null;
        var k = part[measure + 1].FindIndex(n => n.Before.Contains("!/", StringComparison.Ordinal));
        part[measure][i] = Without(part[measure][i], "!<");
        part[measure + 1][k] = Without(part[measure + 1][k], "!/");
        return ("hairpin", "forgotten");
    }

    private static BandNote Without(BandNote n, string sign) =>
        n with
        {
            Before = n.Before.Replace(sign, "", StringComparison.Ordinal).Trim(),
        };

    private static string? LevelOf(BandNote n) =>
        n.Before.Split(' ').FirstOrDefault(b => b.Length > 1 && b[0] == '!' && char.IsLetter(b[1]));

    private (int From, int To) SlurIn(List<BandNote> m)
    {
        var starts = Enumerable.Range(0, m.Count).Where(i => m[i].SlurStart).ToList();
        if (starts.Count == 0)
            return (0, 0);
        var from = starts[random.Next(starts.Count)];
        return (from, m.FindIndex(from, n => n.SlurStop));
    }

    private (string, string)? Change(List<BandNote> m, Func<BandNote, bool> which, Func<BandNote, BandNote> to, string kind, string what)
    {
        var places = Enumerable.Range(0, m.Count).Where(i => which(m[i])).ToList();
        if (places.Count == 0)
            return null;
        var i = places[random.Next(places.Count)];
        m[i] = to(m[i]);
        return (kind, what);
    }
}
