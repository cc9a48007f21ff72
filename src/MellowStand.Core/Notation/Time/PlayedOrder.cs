namespace MellowStand.Core.Notation;

/// <summary>Repeat signs, endings and jumps of one printed measure.</summary>
public sealed class RepeatSigns
{
    /// <summary>A repeat begins at its first bar line.</summary>
    public bool Forward { get; set; }

    /// <summary>A repeat ends at its last bar line.</summary>
    public bool Backward { get; set; }

    /// <summary>A double bar stands at its first bar line.</summary>
    public bool DoubleBefore { get; set; }

    /// <summary>A double bar stands at its last bar line.</summary>
    public bool DoubleAfter { get; set; }

    /// <summary>How often the repeated section is played in all, when printed.</summary>
    public int? Times { get; set; }

    /// <summary>The numbers of an ending that begins here.</summary>
    public IReadOnlyList<int>? EndingStart { get; set; }

    /// <summary>An ending stops here.</summary>
    public bool EndingStop { get; set; }

    /// <summary>The sign to return to.</summary>
    public bool Segno { get; set; }

    /// <summary>The coda begins here.</summary>
    public bool Coda { get; set; }

    /// <summary>Coda signs printed here whose meaning only the order tells.</summary>
    public int CodaSigns { get; set; }

    /// <summary>The end, after a jump back.</summary>
    public bool Fine { get; set; }

    /// <summary>The jump to the coda, after a jump back.</summary>
    public bool ToCoda { get; set; }

    /// <summary>Jump back to the beginning.</summary>
    public bool DaCapo { get; set; }

    /// <summary>Jump back to the sign.</summary>
    public bool DalSegno { get; set; }
}

/// <summary>The order in which the printed measures are played.</summary>
/// <remarks>Repeats are not taken again after a jump back, and the last ending is played there. Common practice, no
/// published source; MusicXML 4.0 leaves it to the reader.</remarks>
public sealed class PlayedOrder
{
    private const int LongestFactor = 32;

    private readonly IReadOnlyList<RepeatSigns> _signs;
    private readonly Ending?[] _endings;
    private readonly List<int> _order = [];
    private int _start;
    private int _pass = 1;
    private bool _jumped;

    private PlayedOrder(IReadOnlyList<RepeatSigns> signs)
    {
        _signs = signs;
        _endings = FindEndings(signs);
    }

    /// <summary>Places of the measures from 0, as played; warnings tell which signs make no sense.</summary>
    public static (IReadOnlyList<int> Order, IReadOnlyList<string> Warnings) Of(IReadOnlyList<RepeatSigns> signs)
    {
        ResolveCodaSigns(signs);
        var player = new PlayedOrder(signs);
        var complete = player.Play();
        var warnings = new List<string>();
        if (!complete)
            warnings.Add("The repeat signs run in a circle: the printed order is used.");
        if (signs.Any(s => s.DalSegno) && !signs.Any(s => s.Segno))
            warnings.Add("A dal segno has no sign to return to: it is ignored.");
        if (signs.Any(s => s.ToCoda) && !signs.Any(s => s.Coda))
            warnings.Add("A jump to the coda finds no coda: it is ignored.");
        if (player._endings.Any(e => e is { HasRepeat: false, IsLast: false }))
            warnings.Add("An ending has no repeat sign: the printed order is kept there.");
        return (complete ? player._order : [.. Enumerable.Range(0, signs.Count)], warnings);
    }

    /// <summary>Which ending each measure belongs to.</summary>
    public static IReadOnlyList<RepeatEnding> EndingsOf(IReadOnlyList<RepeatSigns> signs) => [.. FindEndings(signs).Select(Kind)];

    private static RepeatEnding Kind(Ending? ending) =>
        ending switch
        {
            { GroupHasRepeat: true, IsLast: true } => RepeatEnding.GoesOn,
            { GroupHasRepeat: true, IsLast: false } => RepeatEnding.LeadsBack,
            _ => RepeatEnding.None,
        };

    // Two coda signs and no words: the first is where to leave, the second is where to land.
    private static void ResolveCodaSigns(IReadOnlyList<RepeatSigns> signs)
    {
        var places = Enumerable.Range(0, signs.Count).Where(i => signs[i].CodaSigns > 0).ToList();
        if (places.Count == 0)
            return;
        if (!signs.Any(s => s.Coda))
            signs[places[^1]].Coda = true;
        if (places.Count > 1 && !signs.Any(s => s.ToCoda))
            signs[places[0]].ToCoda = true;
    }

    private bool Play()
    {
        var limit = (_signs.Count * LongestFactor) + 64;
        var i = 0;
        var fromJump = false;
        while (i < _signs.Count)
        {
            if (_order.Count > limit)
                return false;
            if (_signs[i].Forward && !fromJump)
                (_start, _pass) = (i, 1);
            else if (i > 0 && _endings[i - 1] is { IsLast: true } && _endings[i] is null && !fromJump)
                (_start, _pass) = (i, 1);
            fromJump = false;
            if (_endings[i] is { } ending && Skips(ending))
            {
                i = ending.To + 1;
                continue;
            }

            _order.Add(i);
            var next = Next(i);
            if (next is null)
                break;
            fromJump = next != i + 1;
            i = next.Value;
        }

        return true;
    }

    private bool Skips(Ending ending) =>
        _jumped ? !ending.IsLast && ending.HasRepeat : !ending.Numbers.Contains(_pass) && ending.GroupHasRepeat;

    private int? Next(int i)
    {
        var signs = _signs[i];
        if (_jumped && signs.Fine)
            return null;
        if (_jumped && signs.ToCoda && IndexAfter(i, s => s.Coda) is { } coda)
            return coda;
        if (signs.Backward && !_jumped)
        {
            if (_pass < TotalPasses(i))
            {
                _pass++;
                return _start;
            }

            if (_endings[i] is null)
                (_start, _pass) = (i + 1, 1);
        }

        if (_jumped || !(signs.DaCapo || signs.DalSegno))
            return i + 1;
        var target = signs.DaCapo ? 0 : Enumerable.Range(0, i + 1).LastOrDefault(k => _signs[k].Segno, -1);
        if (target < 0)
            return i + 1;
        _jumped = true;
        return target;
    }

    private int TotalPasses(int i)
    {
        if (_endings[i] is not { } ending)
            return _signs[i].Times ?? 2;
        return Math.Max(Math.Max(ending.GroupMax, 2), _signs[i].Times ?? 0);
    }

    private int? IndexAfter(int i, Func<RepeatSigns, bool> has)
    {
        for (var k = i + 1; k < _signs.Count; k++)
            if (has(_signs[k]))
                return k;
        return null;
    }

    private static Ending?[] FindEndings(IReadOnlyList<RepeatSigns> signs)
    {
        var endings = new Ending?[signs.Count];
        var group = new List<Ending>();
        for (var i = 0; i < signs.Count; i++)
        {
            if (signs[i].EndingStart is not { } numbers)
            {
                Close(group);
                continue;
            }

            var to = i;
            while (!signs[to].EndingStop && to + 1 < signs.Count && signs[to + 1].EndingStart is null)
                to++;
            // An ending that never stops holds its first measure only.
            if (!signs[to].EndingStop)
                to = i;
            var ending = new Ending(numbers, to, Enumerable.Range(i, to - i + 1).Any(k => signs[k].Backward));
            group.Add(ending);
            for (var k = i; k <= to; k++)
                endings[k] = ending;
            i = to;
        }

        Close(group);
        return endings;
    }

    private static void Close(List<Ending> group)
    {
        if (group.Count == 0)
            return;
        var max = group.Max(e => e.Numbers.Max());
        foreach (var e in group)
        {
            e.GroupMax = max;
            e.GroupHasRepeat = group.Any(x => x.HasRepeat);
            e.IsLast = e.Numbers.Contains(max) && (group.Count > 1 || !e.HasRepeat);
        }

        group.Clear();
    }

    private sealed record Ending(IReadOnlyList<int> Numbers, int To, bool HasRepeat)
    {
        public int GroupMax { get; set; }

        public bool GroupHasRepeat { get; set; }

        public bool IsLast { get; set; }
    }
}
