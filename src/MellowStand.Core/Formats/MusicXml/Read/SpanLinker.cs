using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Joins what is printed in two places: ties, slurs, hairpins.</summary>
internal static class SpanLinker
{
    // Slurs and hairpins of one number lie in each other once or twice; one that was left open for so many others never ends.
    private const int MostOpen = 16;

    /// <summary>Ties: the next head of the same key number that ends a tie where this one stops sounding.</summary>
    public static void LinkTies(IReadOnlyList<Note> notes)
    {
        var open = new Dictionary<(int Key, Fraction End), List<NoteHead>>();
        foreach (var note in notes)
        {
            foreach (var head in note.Heads.Where(h => h.Sounding is not null))
            {
                if (head.TieStop && open.TryGetValue((head.Sounding!.Value, note.Onset), out var waiting))
                    Join(waiting, head);
                if (!head.TieStart)
                    continue;
                var ends = (head.Sounding!.Value, note.End);
                if (!open.TryGetValue(ends, out var list))
                    open[ends] = list = [];
                list.Add(head);
            }
        }
    }

    private static void Join(List<NoteHead> waiting, NoteHead head)
    {
        var from = waiting.FindLast(h => h.Owner.Voice == head.Owner.Voice) ?? waiting.LastOrDefault();
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
        var open = new Dictionary<string, List<SlurSign>>();
        var early = new List<SlurSign>();
        var slurs = new List<Slur>();
        foreach (var sign in signs)
        {
            if (!open.TryGetValue(sign.Number, out var starts))
                open[sign.Number] = starts = [];
            if (sign.Type == "start")
                Begin(starts, sign);
            if (sign.Type != "stop")
                continue;
            if (starts.Count > 0)
                Close(starts, starts.Count - 1, slurs, sign);
            else
                early.Add(sign);
        }

        CloseEarly(open, early, slurs);
        return [.. slurs.OrderBy(s => s.From.Onset)];
    }

    private static void CloseEarly(Dictionary<string, List<SlurSign>> open, List<SlurSign> early, List<Slur> slurs)
    {
        var left = open
            .Values.SelectMany(starts => starts)
            .GroupBy(s => (s.Number, s.Note.MeasureIndex))
            .ToDictionary(g => g.Key, g => g.ToList());
        foreach (var stop in early)
        {
            if (!left.TryGetValue((stop.Number, stop.Note.MeasureIndex), out var starts))
                continue;
            var i = starts.FindLastIndex(s => s.Note.Onset < stop.Note.Onset);
            if (i >= 0)
                Close(starts, i, slurs, stop);
        }
    }

    private static void Begin<T>(List<T> starts, T start)
    {
        if (starts.Count == MostOpen)
            starts.RemoveAt(0);
        starts.Add(start);
    }

    private static void Close(List<SlurSign> starts, int i, List<Slur> slurs, SlurSign stop)
    {
        slurs.Add(new Slur(starts[i].Note, stop.Note));
        starts.RemoveAt(i);
    }

    /// <summary>Hairpins: a stop closes the youngest open start of its number.</summary>
    public static IReadOnlyList<Hairpin> Hairpins(IEnumerable<WedgeSign> wedges, IReadOnlyList<MeasureFrame> frames)
    {
        var open = new Dictionary<string, List<WedgeSign>>();
        var hairpins = new List<Hairpin>();
        foreach (var wedge in wedges.OrderBy(w => w.Measure).ThenBy(w => w.Offset))
        {
            if (!open.TryGetValue(wedge.Number, out var starts))
                open[wedge.Number] = starts = [];
            if (wedge.Type is "crescendo" or "diminuendo")
                Begin(starts, wedge);
            if (wedge.Type != "stop" || starts.Count == 0)
                continue;
            var start = starts[^1];
            starts.RemoveAt(starts.Count - 1);
            hairpins.Add(new Hairpin(start.Type == "crescendo", start.Measure, At(start), wedge.Measure, At(wedge), start.Staff));
        }

        return [.. hairpins.OrderBy(h => h.From)];

        Fraction At(WedgeSign w) => frames[w.Measure].Start + w.Offset;
    }
}
