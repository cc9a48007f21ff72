using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Joins what is printed in two places: ties, slurs, hairpins.</summary>
internal static class SpanLinker
{
    /// <summary>Ties: the next head of the same key number that ends a tie where this one stops sounding.</summary>
    public static void LinkTies(IReadOnlyList<Note> notes)
    {
        var open = new Dictionary<int, List<NoteHead>>();
        foreach (var note in notes)
        {
            foreach (var head in note.Heads.Where(h => h.Sounding is not null))
            {
                if (head.TieStop && open.TryGetValue(head.Sounding!.Value, out var waiting))
                    Join(waiting, head);
                if (!head.TieStart)
                    continue;
                if (!open.TryGetValue(head.Sounding!.Value, out var list))
                    open[head.Sounding.Value] = list = [];
                list.Add(head);
            }
        }
    }

    private static void Join(List<NoteHead> waiting, NoteHead head)
    {
        var from =
            waiting.FindLast(h => h.Owner.End == head.Owner.Onset && h.Owner.Voice == head.Owner.Voice)
            ?? waiting.FindLast(h => h.Owner.End == head.Owner.Onset);
        if (from is null || from.Owner == head.Owner || from.Owner.IsGrace != head.Owner.IsGrace)
            return;
        waiting.Remove(from);
        from.TiedTo = head;
        head.TiedFrom = from;
    }

    /// <summary>Slurs: a stop closes the youngest open start of its number, in the order of the file.</summary>
    /// <remarks>A slur between voices may print its end before its start; such pairs are joined afterwards by time.</remarks>
    public static IReadOnlyList<Slur> Slurs(IEnumerable<SlurSign> signs)
    {
        var open = new List<SlurSign>();
        var early = new List<SlurSign>();
        var slurs = new List<Slur>();
        foreach (var sign in signs)
        {
            if (sign.Type == "start")
                open.Add(sign);
            if (sign.Type != "stop")
                continue;
            if (!Close(open, slurs, sign, s => true))
                early.Add(sign);
        }

        foreach (var stop in early)
            Close(open, slurs, stop, s => s.Note.MeasureIndex == stop.Note.MeasureIndex && s.Note.Onset < stop.Note.Onset);
        return [.. slurs.OrderBy(s => s.From.Onset)];
    }

    private static bool Close(List<SlurSign> open, List<Slur> slurs, SlurSign stop, Func<SlurSign, bool> fits)
    {
        var i = open.FindLastIndex(o => o.Number == stop.Number && fits(o));
        if (i < 0)
            return false;
        slurs.Add(new Slur(open[i].Note, stop.Note));
        open.RemoveAt(i);
        return true;
    }

    /// <summary>Hairpins: a stop closes the youngest open start of its number.</summary>
    public static IReadOnlyList<Hairpin> Hairpins(IEnumerable<WedgeSign> wedges, IReadOnlyList<MeasureFrame> frames)
    {
        var open = new List<WedgeSign>();
        var hairpins = new List<Hairpin>();
        foreach (var wedge in wedges.OrderBy(w => w.Measure).ThenBy(w => w.Offset))
        {
            if (wedge.Type is "crescendo" or "diminuendo")
                open.Add(wedge);
            if (wedge.Type != "stop")
                continue;
            var i = open.FindLastIndex(o => o.Number == wedge.Number);
            if (i < 0)
                continue;
            var start = open[i];
            hairpins.Add(new Hairpin(start.Type == "crescendo", start.Measure, At(start), wedge.Measure, At(wedge), start.Staff));
            open.RemoveAt(i);
        }

        return [.. hairpins.OrderBy(h => h.From)];

        Fraction At(WedgeSign w) => frames[w.Measure].Start + w.Offset;
    }
}
