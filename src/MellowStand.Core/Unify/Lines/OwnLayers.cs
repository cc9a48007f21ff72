using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Voices of a line that have it in a way of their own for measures on end: a trumpet that tongues what the woodwinds slur, an
/// oboe that is short among them, bows under a phrase. They are compared with each other, not with the rest.</summary>
/// <remarks>For three measures and three marked places on end a voice prints otherwise than most of the others and never the same; it is of
/// another family than they, or prints marks of its own. A voice of the same family that prints nothing has been forgotten rather. Common
/// practice, no published source; the bounds are ours.</remarks>
internal sealed class OwnLayers
{
    private const int LeastPlaces = 3;
    private const int LeastMeasures = 3;
    private const int LongestGap = 2;
    private const int MostVoices = 64;

    private readonly UnifyContext _context;
    private readonly SharedLine _line;
    private readonly IReadOnlyList<string?[]?> _told;
    private readonly Func<int, int, bool> _isMarkedOtherwise;
    private readonly string?[] _most;
    private readonly ulong[] _own;
    private readonly List<(int Voice, IReadOnlyList<int> Places)> _layers = [];

    private OwnLayers(
        UnifyContext context,
        SharedLine line,
        IReadOnlyList<string?[]?> told,
        Func<int, int, bool>? isMarkedOtherwise
    )
    {
        (_context, _line, _told) = (context, line, told);
        _isMarkedOtherwise = isMarkedOtherwise ?? ((_, _) => false);
        _own = new ulong[told.Count];
        _most = new string?[told.Count];
        if (line.Voices.Count is <= 2 or > MostVoices || told.Count(Differ) < LeastPlaces)
            return;
        for (var i = 0; i < _most.Length; i++)
            _most[i] = MostHave(told[i]);
        for (var k = 0; k < line.Voices.Count; k++)
            FindIn(k);
    }

    /// <summary>The layers of a line.</summary>
    /// <param name="context">What the rules share.</param>
    /// <param name="line">The line.</param>
    /// <param name="told">For each place of the line what its voices print, in words; empty for nothing, null where a voice cannot say, and
    /// null for a place where none prints anything.</param>
    /// <param name="isMarkedOtherwise">True where a voice has marks of another kind at a place, instead of these.</param>
    public static OwnLayers Of(
        UnifyContext context,
        SharedLine line,
        IReadOnlyList<string?[]?> told,
        Func<int, int, bool>? isMarkedOtherwise = null
    ) => new(context, line, told, isMarkedOtherwise);

    /// <summary>True where two voices do not print the same.</summary>
    public static bool Differ(string?[]? told) => told is not null && Array.Exists(told, has => has != told[0]);

    private string? Has(int voice, int place) => _told[place] is { } told ? told[voice] : "";

    /// <summary>The line in groups of voices to be compared, each with the places at which they go together.</summary>
    public IEnumerable<(SharedLine Line, Func<int, bool> IsAt)> Groups() =>
        _layers.Count == 0 ? [(_line, _ => true)] : Parted();

    private IEnumerable<(SharedLine Line, Func<int, bool> IsAt)> Parted() =>
        _own.Distinct()
            .SelectMany(own => Alike(own).Where(g => g.Count > 1).Select(g => (Line(g), (Func<int, bool>)(place => _own[place] == own))));

    private SharedLine Line(List<int> voices) => voices.Count == _line.Voices.Count ? _line : _line.Of(voices);

    // Those without a layer of their own, and of the others those that have the same one.
    private List<List<int>> Alike(ulong own)
    {
        var places = Enumerable.Range(0, _own.Length).Where(i => _own[i] == own).ToList();
        var groups = new List<List<int>> { Enumerable.Range(0, _line.Voices.Count).Where(k => !IsOwn(own, k)).ToList() };
        foreach (var k in Enumerable.Range(0, _line.Voices.Count).Where(k => IsOwn(own, k)))
        {
            if (groups.Skip(1).FirstOrDefault(g => GoTogether(g[0], k, places)) is { } group)
                group.Add(k);
            else
                groups.Add([k]);
        }

        return groups;
    }

    private bool GoTogether(int a, int b, List<int> places)
    {
        var told = places.Select(i => (A: Has(a, i), B: Has(b, i))).Where(x => x.A?.Length > 0 || x.B?.Length > 0).ToList();
        return told.Count(x => x.A == x.B) * 2 > told.Count;
    }

    /// <summary>One entry a layer, with nothing to write.</summary>
    /// <param name="name">The name of the rule.</param>
    /// <param name="kind">The kind of difference.</param>
    /// <param name="words">What a voice prints in all, of what it prints at each place; null for each thing once.</param>
    public IEnumerable<Difference> Told(string name, string kind, Func<IReadOnlyList<string>, string>? words = null)
    {
        foreach (var (voice, places) in _layers)
        {
            IReadOnlyList<string> NotesOf(int k) => [.. places.Select(i => _line.Notes[k][i].Id)];
            var readings = _line.Voices.Select((v, k) => new Reading(v.Part.Id, NotesOf(k), Words(k, places, words))).ToList();
            var (from, to) = (places[0], places[^1]);
            var why =
                $"From {Label(from)} to {Label(to)} {_context.NameOf(_line.Voices[voice].Part.Id)} has it in a way of its own: a layer of "
                + "the music.";
            var meant = new Proposal("", [], why, "meant", Sureness.Yours);
            yield return _context.Difference($"{name} layer", kind, _line, from, to, readings, Nothing(readings), meant) with
            {
                IsNote = true,
                LayerOf = _line.Voices[voice].Part.Id,
            };
        }
    }

    /// <summary>Without what belongs to a layer that is told nearby: a wrong rhythm in one part cuts a line in two, not the
    /// music.</summary>
    /// <param name="differences">All of a score.</param>
    public static List<Difference> Absorb(List<Difference> differences)
    {
        var layers = differences.Where(d => d.LayerOf is not null).ToLookup(d => (d.Kind, d.LayerOf!));
        return layers.Count == 0 ? differences : [.. differences.Where(d => d.IsNote || !Belongs(d, layers))];
    }

    private static bool Belongs(Difference d, ILookup<(string Kind, string Part), Difference> layers)
    {
        var sides = d.Readings.GroupBy(r => r.Has).OrderByDescending(g => g.Count()).ToList();
        return sides.Count > 1
            && sides[0].Count() > sides[1].Count()
            && sides.Skip(1).SelectMany(g => g).All(r => layers[(d.Kind, r.Part)].Any(l => IsNear(l, d) && SaysSo(l, r, sides[0].Key)));
    }

    private static bool IsNear(Difference layer, Difference d) => d.From <= layer.To + LongestGap && d.To >= layer.From - LongestGap;

    // The same part prints where the others do not, or the others where it does not.
    private static bool SaysSo(Difference layer, Reading reading, string most) =>
        layer.Readings.First(r => r.Part == reading.Part).Has.Length > 0 == reading.Has.Length > 0
        && layer.Readings.Any(r => r.Part != reading.Part && r.Has.Length > 0) == most.Length > 0;

    private static Dictionary<string, IReadOnlyList<MarkChange>> Nothing(List<Reading> readings) =>
        readings.Select(r => r.Has).Append("").Distinct().ToDictionary(has => has, _ => (IReadOnlyList<MarkChange>)[]);

    private string Words(int voice, IReadOnlyList<int> places, Func<IReadOnlyList<string>, string>? words)
    {
        List<string> printed = [.. places.Select(i => Has(voice, i) ?? "").Where(has => has.Length > 0)];
        return printed.Count == 0 || words is null ? string.Join(", ", printed.Distinct()) : words(printed);
    }

    private string Label(int place) => _context.Score.Measures[_line.Notes[0][place].MeasureIndex].Label;

    private static bool IsOwn(ulong own, int voice) => (own & (1UL << voice)) != 0;

    // What most of those that can say have at a place; null where there is no such thing.
    private static string? MostHave(string?[]? all)
    {
        if (all is null)
            return null;
        var told = all.OfType<string>().ToList();
        if (told.TrueForAll(has => has.Length == 0))
            return null;
        var sides = told.GroupBy(has => has).OrderByDescending(g => g.Count()).ToList();
        return sides[0].Count() > 1 && (sides.Count == 1 || sides[0].Count() > sides[1].Count()) ? sides[0].Key : null;
    }

    private void FindIn(int voice)
    {
        var run = new List<int>();
        for (var i = 0; i < _own.Length; i++)
        {
            if (_most[i] is not { } most || Has(voice, i) is not { } own || (own == most && own.Length == 0))
                continue;
            if (own == most || (run.Count > 0 && MeasureOf(i) - MeasureOf(run[^1]) > LongestGap))
                Close(voice, run);
            if (own != most)
                run.Add(i);
        }

        Close(voice, run);
    }

    private int MeasureOf(int place) => _line.Notes[0][place].MeasureIndex;

    private void Close(int voice, List<int> run)
    {
        if (run.Count >= LeastPlaces && run.Select(MeasureOf).Distinct().Count() >= LeastMeasures && IsMeant(voice, run))
        {
            _layers.Add((voice, [.. run]));
            for (var i = run[0]; i <= run[^1]; i++)
                _own[i] |= 1UL << voice;
        }

        run.Clear();
    }

    // Of another family than those that agree, or with marks of its own.
    private bool IsMeant(int voice, List<int> run)
    {
        var family = _context.FamilyOf(_line.Voices[voice].Part);
        bool IsOfMost(int k) => run.TrueForAll(i => Has(k, i) is null || Has(k, i) == _most[i]);
        var others = Enumerable.Range(0, _line.Voices.Count).Where(IsOfMost);
        return others.All(k => _context.FamilyOf(_line.Voices[k].Part) != family)
            || run.Count(i => Has(voice, i)!.Length > 0 || _isMarkedOtherwise(voice, i)) * 2 > run.Count;
    }
}
