using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A stretch of the printed score in one tempo, or from one tempo to another.</summary>
/// <param name="From">Quarters from the start of the score.</param>
/// <param name="To">Quarters from the start of the score.</param>
/// <param name="Begin">Quarters per minute at its start.</param>
/// <param name="End">Quarters per minute that it leads to; between the two the tempo is a straight line over the quarters.</param>
public sealed record TempoStretch(Fraction From, Fraction To, double Begin, double End)
{
    /// <summary>Quarters per minute at a moment inside it.</summary>
    public double At(Fraction moment) => Begin == End ? Begin : Begin + ((End - Begin) * ((moment - From).Value / (To - From).Value));
}

/// <summary>The tempi of a score as they are played: steady ones, and curves where it slows or quickens.</summary>
/// <remarks>A rit. leads to the next printed tempo where that is slower, else to a share of its own (<see cref="TempoWords"/>; molto and
/// poco
/// make it more or less), at the next tempo sign or after four measures at most, after which the tempo before is taken up again; a tempo is
/// the tempo before the slowing, or before a meno mosso. How a ritardando is shaped is taste: a straight line over the beats is the
/// plainest.
/// Common practice, no published source.</remarks>
public sealed class TempoShape
{
    private const int LongestSlowing = 4;
    private const double Slowest = 15;
    private const double Quickest = 500;

    private readonly Score _score;
    private readonly TempoLine _tempo;
    private readonly List<TempoStretch> _stretches = [];
    private double _steady = TempoLine.Default;
    private double _printed = TempoLine.Default;
    private double _now = TempoLine.Default;
    private double? _first;
    private bool _isBent;
    private (Fraction At, bool Slower)? _numbered;

    private TempoShape(Score score, TempoLine tempo) => (_score, _tempo) = (score, tempo);

    /// <summary>The stretches in order; together they hold the whole score.</summary>
    public static IReadOnlyList<TempoStretch> Of(Score score, TempoLine tempo)
    {
        var shape = new TempoShape(score, tempo);
        shape.Walk();
        return shape._stretches;
    }

    private void Walk()
    {
        var signs = _tempo.Telling;
        var end = _score.Measures.Count == 0 ? Fraction.Zero : _score.Measures[^1].End;
        Add(Fraction.Zero, signs.Count > 0 ? signs[0].Onset : end, _now, _now);
        for (var i = 0; i < signs.Count; i++)
        {
            var until = i + 1 < signs.Count ? signs[i + 1].Onset : end;
            if (signs[i].Kind is TempoKind.Slowing or TempoKind.Quickening)
                Bend(signs[i], i + 1 < signs.Count ? signs[i + 1] : null, until);
            else
                Settle(signs[i], until);
        }
    }

    private void Settle(TempoSign sign, Fraction until)
    {
        var word = TempoWords.TempoIn(sign.Text);
        if (sign.Kind == TempoKind.Return)
            _steady = Returned(word);
        else
        {
            var told = _tempo.After(sign, _steady);
            _steady = sign.Kind == TempoKind.Changed && told == _steady ? _steady * Share(sign, word) : told;
        }

        if (sign.Metronome is not null && _first is not null)
            _numbered = (sign.Onset, _steady < _now);
        if (sign.Kind == TempoKind.Fixed)
            (_printed, _first) = (_steady, _first ?? _steady);
        (_isBent, _now) = (false, _steady);
        Add(sign.Onset, until, _now, _now);
    }

    // After a slowing the tempo before it; else the last that was printed, as before a meno mosso.
    private double Returned(TempoWord? word)
    {
        if (word is { IsFirstTempo: true })
            return _first ?? _steady;
        return _isBent ? _steady : _printed;
    }

    private void Bend(TempoSign sign, TempoSign? next, Fraction until)
    {
        // A slowing word beside a slower number is that new tempo.
        if (_numbered is { } n && n.At == sign.Onset && n.Slower == (sign.Kind == TempoKind.Slowing))
        {
            Add(sign.Onset, until, _now, _now);
            return;
        }

        var word = TempoWords.TempoIn(sign.Text);
        var goal = Goal(sign, word, next);
        var last = Math.Min(sign.Measure + LongestSlowing, _score.Measures.Count) - 1;
        var limit = _score.Measures[last].End < until ? _score.Measures[last].End : until;
        Add(sign.Onset, limit, word is { IsAtOnce: true } ? goal : _now, goal);
        Add(limit, until, _steady, _steady);
        _now = limit < until ? _steady : goal;
        _isBent = true;
    }

    private double Goal(TempoSign sign, TempoWord? word, TempoSign? next)
    {
        if (next is { Kind: TempoKind.Fixed })
        {
            var told = _tempo.After(next, _steady);
            if (sign.Kind == TempoKind.Slowing ? told < _now : told > _now)
                return told;
        }

        return _now * Share(sign, word);
    }

    private static double Share(TempoSign sign, TempoWord? word)
    {
        var share = word?.Share ?? 1;
        if (sign.Text.Contains("molto", StringComparison.OrdinalIgnoreCase))
            return share * share;
        // "poco a poco" says how slowly it comes, not how little.
        var isLittle =
            sign.Text.Contains("poco", StringComparison.OrdinalIgnoreCase)
            && !sign.Text.Contains("poco a poco", StringComparison.OrdinalIgnoreCase)
            && word is { Word: not "poco meno" };
        return isLittle ? Math.Sqrt(share) : share;
    }

    private void Add(Fraction from, Fraction to, double begin, double end)
    {
        if (to > from)
            _stretches.Add(new TempoStretch(from, to, Math.Clamp(begin, Slowest, Quickest), Math.Clamp(end, Slowest, Quickest)));
    }
}
