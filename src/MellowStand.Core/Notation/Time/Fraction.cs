using System.Globalization;

namespace MellowStand.Core.Notation;

/// <summary>An exact number of quarter notes (or of anything else), always in lowest terms with a positive denominator.</summary>
/// <remarks>Onsets and durations are never floating point: three triplet eighths must add up to one quarter.</remarks>
public readonly record struct Fraction : IComparable<Fraction>
{
    private readonly long _denominator;

    /// <summary>Makes numerator over denominator in lowest terms.</summary>
    /// <exception cref="DivideByZeroException">The denominator is zero.</exception>
    /// <exception cref="OverflowException">The reduced terms leave the range of a 64-bit integer.</exception>
    public Fraction(long numerator, long denominator = 1)
    {
        if (denominator == 0)
            throw new DivideByZeroException("A fraction needs a denominator other than zero.");
        if (denominator == 1)
        {
            Numerator = numerator;
            _denominator = 1;
            return;
        }

        var divisor = GreatestCommonDivisor(numerator, denominator);
        if (denominator < 0)
            divisor = -divisor;
        Numerator = numerator / divisor;
        _denominator = denominator / divisor;
    }

    // For terms that are known to be the lowest.
    private Fraction(long numerator, long denominator, bool isLowest) => (Numerator, _denominator, _) = (numerator, denominator, isLowest);

    /// <summary>Makes a fraction of terms that are the lowest already, without looking for a common divisor.</summary>
    internal static Fraction OfLowest(int numerator, int denominator) => new(numerator, denominator, isLowest: true);

    /// <summary>Zero quarters.</summary>
    public static Fraction Zero { get; } = new(0);

    /// <summary>The number above the line; carries the sign.</summary>
    public long Numerator { get; }

    /// <summary>The number below the line; at least 1.</summary>
    public long Denominator => _denominator == 0 ? 1 : _denominator;

    /// <summary>The nearest floating-point value, for drawing and for durations in seconds only.</summary>
    public double Value => (double)Numerator / Denominator;

    /// <summary>A whole number is a fraction over one.</summary>
    public static implicit operator Fraction(int whole) => new(whole);

    /// <summary>Sum.</summary>
    public static Fraction operator +(Fraction a, Fraction b) =>
        a.Denominator == b.Denominator
            ? new(checked(a.Numerator + b.Numerator), a.Denominator)
            : new(checked((a.Numerator * b.Denominator) + (b.Numerator * a.Denominator)), checked(a.Denominator * b.Denominator));

    /// <summary>Difference.</summary>
    public static Fraction operator -(Fraction a, Fraction b) => a + -b;

    /// <summary>The same size with the other sign.</summary>
    public static Fraction operator -(Fraction a) => new(-a.Numerator, a.Denominator);

    /// <summary>Product.</summary>
    public static Fraction operator *(Fraction a, Fraction b) =>
        new(checked(a.Numerator * b.Numerator), checked(a.Denominator * b.Denominator));

    /// <summary>Quotient.</summary>
    public static Fraction operator /(Fraction a, Fraction b) =>
        new(checked(a.Numerator * b.Denominator), checked(a.Denominator * b.Numerator));

    /// <summary>Smaller than.</summary>
    public static bool operator <(Fraction a, Fraction b) => a.CompareTo(b) < 0;

    /// <summary>Greater than.</summary>
    public static bool operator >(Fraction a, Fraction b) => a.CompareTo(b) > 0;

    /// <summary>At most.</summary>
    public static bool operator <=(Fraction a, Fraction b) => a.CompareTo(b) <= 0;

    /// <summary>At least.</summary>
    public static bool operator >=(Fraction a, Fraction b) => a.CompareTo(b) >= 0;

    /// <summary>The larger of two.</summary>
    public static Fraction Max(Fraction a, Fraction b) => a >= b ? a : b;

    /// <summary>Reads <c>"n"</c> or <c>"n/d"</c>.</summary>
    /// <returns>False when the text is neither; never throws.</returns>
    public static bool TryParse(string? text, out Fraction value)
    {
        value = Zero;
        var pieces = (text ?? "").Split('/');
        if (pieces.Length is < 1 or > 2)
            return false;
        if (!long.TryParse(pieces[0], NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n))
            return false;
        var d = 1L;
        if (pieces.Length == 2 && (!long.TryParse(pieces[1], NumberStyles.None, CultureInfo.InvariantCulture, out d) || d == 0))
            return false;
        value = new Fraction(n, d);
        return true;
    }

    /// <inheritdoc/>
    public int CompareTo(Fraction other) =>
        Denominator == other.Denominator
            ? Numerator.CompareTo(other.Numerator)
            : ((Int128)Numerator * other.Denominator).CompareTo((Int128)other.Numerator * Denominator);

    /// <summary>Equal when the reduced terms are equal.</summary>
    public bool Equals(Fraction other) => Numerator == other.Numerator && Denominator == other.Denominator;

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Numerator, Denominator);

    /// <summary><c>"3/2"</c>, or <c>"2"</c> when whole: the form of the HTTP interface.</summary>
    public override string ToString() =>
        Denominator == 1
            ? Numerator.ToString(CultureInfo.InvariantCulture)
            : string.Create(CultureInfo.InvariantCulture, $"{Numerator}/{Denominator}");

    private static long GreatestCommonDivisor(long a, long b)
    {
        a = Math.Abs(a);
        b = Math.Abs(b);
        while (b != 0)
            (a, b) = (b, a % b);
        return a == 0 ? 1 : a;
    }
}
