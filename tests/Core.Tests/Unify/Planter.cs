using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Unify;

/// <summary>A planted slip.</summary>
internal sealed record Planted(string Kind, string Part, int Measure, string What);

/// <summary>Plants slips of thirteen kinds into raw MusicXML.</summary>
internal static class Planter
{
    /// <summary>One slip in one of the copies, or null where none fits.</summary>
    public static Planted? Plant(Random random, List<XElement> copies)
    {
        if (copies.Count == 0)
            return null;
        var part = copies[random.Next(copies.Count)];
        var id = part.Attribute("id")!.Value;
        var measures = part.Elements("measure").ToList();
        for (var attempt = 0; attempt < 40; attempt++)
        {
            var m = random.Next(measures.Count);
            // The first voice only: a doubled line of its own.
            var voices = measures[m]
                .Elements("note")
                .Select(n => n.Element("voice")?.Value ?? "1")
                .Distinct()
                .Order(StringComparer.Ordinal)
                .ToList();
            var notes = measures[m]
                .Elements("note")
                .Where(n =>
                    n.Element("pitch") is not null
                    && n.Element("chord") is null
                    && n.Element("grace") is null
                    && n.Element("cue") is null
                    && (n.ElementsAfterSelf("note").FirstOrDefault()?.Element("chord") is null)
                    && n.Elements("tie").All(t => t.Attribute("type")?.Value != "stop")
                    && (n.Element("voice")?.Value ?? "1") == voices[0]
                )
                .ToList();
            if (notes.Count < 2)
                continue;
            var note = notes[random.Next(notes.Count)];
            if (Do(random.Next(13), note, measures[m], random) is { } done)
                return new Planted(done.Kind, id, m, done.What);
        }

        return null;
    }

    private static (string Kind, string What)? Do(int what, XElement note, XElement measure, Random random)
    {
        switch (what)
        {
            case 0:
                if (
                    note.Descendants("articulations").Elements().FirstOrDefault(e => e.Name.LocalName is "staccato" or "accent" or "tenuto")
                    is not { } there
                )
                    return null;
                there.Remove();
                return ("articulation", "removed");
            case 1:
                if (note.Descendants("articulations").Any())
                    return null;
                Notations(note).Add(new XElement("articulations", new XElement(random.Next(2) == 0 ? "staccato" : "accent")));
                return ("articulation", "added");
            case 2:
                if (
                    measure.Elements("direction").FirstOrDefault(d => d.Descendants("dynamics").Any()) is not { } sign
                    || note.Descendants("dynamics").Any()
                )
                    return null;
                sign.Remove();
                return ("dynamic", "removed");
            case 3:
                if (measure.Elements("direction").Descendants("dynamics").FirstOrDefault() is not { } level || !level.HasElements)
                    return null;
                var other = new[] { "pp", "mp", "f", "ff" }.First(l => l != level.Elements().First().Name.LocalName);
                level.ReplaceNodes(new XElement(other));
                return ("dynamic", "changed");
            case 4:
                // A pitch one half step off, where nothing leans on it.
                if (note.Elements("tie").Any())
                    return null;
                var pitch = note.Element("pitch")!;
                var alter = pitch.Element("alter") is { } a ? decimal.Parse(a.Value, CultureInfo.InvariantCulture) : 0;
                var to = new Pitch(
                    Enum.Parse<Step>(pitch.Element("step")!.Value),
                    alter + (alter > 0 ? -1 : 1),
                    int.Parse(pitch.Element("octave")!.Value, CultureInfo.InvariantCulture)
                );
                Doubling.Write(pitch, to);
                return ("pitch", "altered");
            case 5:
                if (
                    note.Descendants("slur").FirstOrDefault(s => s.Attribute("type")?.Value == "start") is not { } start
                    || note.Descendants("slur").Count() > 1
                )
                    return null;
                var stop = note.ElementsAfterSelf("note")
                    .SelectMany(n =>
                        n.Descendants("slur")
                            .Where(s =>
                                s.Attribute("type")?.Value == "stop" && s.Attribute("number")?.Value == start.Attribute("number")?.Value
                            )
                    )
                    .FirstOrDefault();
                if (stop is null || stop.Ancestors("note").First().Descendants("slur").Count() > 1)
                    return null;
                start.Remove();
                stop.Remove();
                return ("slur", "removed");
            case 6:
                if (
                    note.Descendants("slur").Any()
                    || note.ElementsAfterSelf("note").FirstOrDefault() is not { } next
                    || next.Element("pitch") is null
                    || next.Element("chord") is not null
                    || next.Element("grace") is not null
                    || next.Descendants("slur").Any()
                )
                    return null;
                if (
                    InsideSlur(note)
                    || next.Elements("tie").Any()
                    || note.Elements("tie").Any()
                    || (next.Element("voice")?.Value ?? "1") != (note.Element("voice")?.Value ?? "1")
                )
                    return null;
                Notations(note).Add(new XElement("slur", new XAttribute("type", "start"), new XAttribute("number", 5)));
                Notations(next).Add(new XElement("slur", new XAttribute("type", "stop"), new XAttribute("number", 5)));
                return ("slur", "added");
            case 8:
                return ShortenSlur(note);
            case 9:
                return RemoveHairpin(measure);
            case 10:
                return AddHairpin(note, measure);
            case 11:
                return MoveMark(note);
            case 12:
                return Dot(note);
            default:
                if (note.Descendants("ornaments").Any() || note.Elements("tie").Any())
                    return null;
                Notations(note).Add(new XElement("ornaments", new XElement("trill-mark")));
                return ("ornament", "added");
        }
    }

    // The slur ends a note earlier.
    private static (string Kind, string What)? ShortenSlur(XElement note)
    {
        if (note.Descendants("slur").ToList() is not [var stop] || stop.Attribute("type")?.Value != "stop")
            return null;
        if (
            note.ElementsBeforeSelf("note").LastOrDefault() is not { } before
            || before.Element("pitch") is null
            || before.Element("chord") is not null
            || before.Element("grace") is not null
        )
            return null;
        if (
            before.Descendants("slur").Any()
            || before.Elements("tie").Any()
            || note.Elements("tie").Any()
            || (before.Element("voice")?.Value ?? "1") != (note.Element("voice")?.Value ?? "1")
        )
            return null;
        stop.Remove();
        Notations(before).Add(stop);
        return ("slur", "shortened");
    }

    private static (string Kind, string What)? RemoveHairpin(XElement measure)
    {
        if (
            measure
                .Elements("direction")
                .FirstOrDefault(d => d.Descendants("wedge").Any(w => w.Attribute("type")?.Value is "crescendo" or "diminuendo"))
            is not { } start
        )
            return null;
        var stop = start
            .ElementsAfterSelf("direction")
            .Concat(measure.ElementsAfterSelf("measure").SelectMany(m => m.Elements("direction")))
            .FirstOrDefault(d => d.Descendants("wedge").Any());
        if (stop is null || stop.Descendants("wedge").First().Attribute("type")?.Value != "stop")
            return null;
        start.Remove();
        stop.Remove();
        return ("hairpin", "removed");
    }

    private static (string Kind, string What)? AddHairpin(XElement note, XElement measure)
    {
        if (measure.Parent!.Descendants("wedge").Any(w => w.Ancestors("measure").First() == measure) || InsideHairpin(measure))
            return null;
        var next = note.ElementsAfterSelf("note").Take(2).ToList();
        if (
            next.Count < 2
            || next.Any(n =>
                n.Element("pitch") is null
                || n.Element("chord") is not null
                || n.Element("grace") is not null
                || n.Elements("tie").Any()
                || n.Element("voice")?.Value != note.Element("voice")?.Value
            )
            || note.Elements("tie").Any()
        )
            return null;
        note.AddBeforeSelf(Wedge("crescendo"));
        next[^1].AddAfterSelf(Wedge("stop"));
        return ("hairpin", "added");
    }

    private static bool InsideHairpin(XElement measure) =>
        measure
            .ElementsBeforeSelf("measure")
            .Reverse()
            .SelectMany(m => m.Descendants("wedge").Reverse())
            .FirstOrDefault()
            ?.Attribute("type")
            ?.Value
            is "crescendo"
                or "diminuendo";

    private static XElement Wedge(string type) =>
        new("direction", new XElement("direction-type", new XElement("wedge", new XAttribute("type", type))));

    private static (string Kind, string What)? MoveMark(XElement note)
    {
        if (
            note.Descendants("articulations").Elements().FirstOrDefault(e => e.Name.LocalName is "staccato" or "accent" or "tenuto")
            is not { } mark
        )
            return null;
        if (
            note.ElementsAfterSelf("note").FirstOrDefault() is not { } next
            || next.Element("pitch") is null
            || next.Element("chord") is not null
            || next.Element("grace") is not null
            || next.Descendants("articulations").Any()
            || next.Elements("tie").Any()
            || next.Element("voice")?.Value != note.Element("voice")?.Value
        )
            return null;
        mark.Remove();
        Notations(next).Add(new XElement("articulations", mark));
        return ("articulation", "moved");
    }

    // Two even notes become a dotted one and a short one.
    private static (string Kind, string What)? Dot(XElement note)
    {
        if (
            note.ElementsAfterSelf("note").FirstOrDefault() is not { } next
            || next.Element("pitch") is null
            || next.Element("chord") is not null
            || next.Element("grace") is not null
        )
            return null;
        if (
            next.ElementsAfterSelf("note").FirstOrDefault()?.Element("chord") is not null
            || note.Elements("tie").Any()
            || next.Elements("tie").Any()
        )
            return null;
        var (a, b) = (note.Element("duration"), next.Element("duration"));
        if (
            a is null
            || b is null
            || a.Value != b.Value
            || int.Parse(a.Value, CultureInfo.InvariantCulture) % 2 != 0
            || next.Element("voice")?.Value != note.Element("voice")?.Value
        )
            return null;
        var half = int.Parse(a.Value, CultureInfo.InvariantCulture) / 2;
        a.Value = (3 * half).ToString(CultureInfo.InvariantCulture);
        b.Value = half.ToString(CultureInfo.InvariantCulture);
        return ("rhythm", "dotted");
    }

    private static bool InsideSlur(XElement note) =>
        note.ElementsBeforeSelf("note").SelectMany(n => n.Descendants("slur")).LastOrDefault()?.Attribute("type")?.Value == "start";

    private static XElement Notations(XElement note)
    {
        if (note.Element("notations") is { } there)
            return there;
        var made = new XElement("notations");
        if (note.Elements("lyric").FirstOrDefault() is { } lyric)
            lyric.AddBeforeSelf(made);
        else
            note.Add(made);
        return made;
    }
}
