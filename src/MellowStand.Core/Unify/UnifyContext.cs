using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using MellowStand.Core.Decisions;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>What the difference rules share.</summary>
public sealed class UnifyContext(Score score, House house)
{
    private readonly Dictionary<string, IReadOnlyList<Slur>> _slurs = score.Parts.ToDictionary(p => p.Id, p => p.Slurs);
    private readonly Dictionary<string, bool> _struck = [];
    private readonly Dictionary<string, Sustain> _sustain = [];
    private readonly Dictionary<string, LevelLine> _levels = [];
    private readonly Dictionary<string, int> _order = score.Parts.Select((p, i) => (p.Id, i)).ToDictionary(x => x.Id, x => x.i);

    /// <summary>The score as printed.</summary>
    public Score Score => score;

    /// <summary>What sustains the tone of a part; breath for a part that is not recognised.</summary>
    public Sustain SustainOf(Part part) => _sustain.TryGetValue(part.Id, out var sustain) ? sustain : _sustain[part.Id] = Recognition.Of(part).Instrument?.Sustain ?? Sustain.Breath;

    /// <summary>The dynamics of a part.</summary>
    public LevelLine LevelsOf(Part part) => _levels.TryGetValue(part.Id, out var line) ? line : _levels[part.Id] = new LevelLine(score, part);

    /// <summary>True for an instrument that is struck: separation is not written for it.</summary>
    public bool IsStruck(Part part)
    {
        if (!_struck.TryGetValue(part.Id, out var struck))
            _struck[part.Id] = struck = Recognition.Of(part).Instrument is { Family: Family.Percussion };
        return struck;
    }

    /// <summary>The school's answers.</summary>
    public House House => house;

    /// <summary>The slurs of a part.</summary>
    public IReadOnlyList<Slur> SlursOf(Part part) => _slurs[part.Id];

    /// <summary>The part's name, or its id where none is printed.</summary>
    public string NameOf(string part) => score.FindPart(part) is { Name.Length: > 0 } p ? p.Name : part;

    /// <summary>The leader of a line: the first of its parts in score order.</summary>
    public string LeaderOf(IEnumerable<Reading> readings) => readings.MinBy(r => _order[r.Part])!.Part;

    /// <summary>Measure and beat in words, e.g. <c>17.3</c> or <c>17.2½</c>.</summary>
    public string Place(Note note)
    {
        var beats = note.Offset / score.Measures[note.MeasureIndex].Meter.BeatUnit;
        var whole = beats.Numerator / beats.Denominator;
        var rest = (beats - new Fraction(whole)).ToString() switch { "0" => "", "1/2" => "½", "1/4" => "¼", "3/4" => "¾", "1/3" => "⅓", "2/3" => "⅔", var t => " " + t };
        return score.Measures[note.MeasureIndex].Label + "." + (whole + 1).ToString(CultureInfo.InvariantCulture) + rest;
    }

    /// <summary>Makes an entry with an id of its own.</summary>
    internal Difference Difference(
        string kind, SharedLine line, int from, int to, IReadOnlyList<Reading> readings, IReadOnlyDictionary<string, IReadOnlyList<MarkChange>> changes, Proposal proposal,
        bool isNote = false)
    {
        var text = kind + "|" + string.Join('|', readings.Select(r => $"{r.Part}:{string.Join(',', r.Notes)}={r.Has}"));
        var id = Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..16];
        return new Difference(id, kind, line.Relation, line.Notes[0][from].MeasureIndex, line.Notes[0][to].MeasureIndex, readings, proposal, changes) { IsNote = isNote };
    }
}
