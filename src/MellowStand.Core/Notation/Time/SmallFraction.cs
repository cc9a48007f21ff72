namespace MellowStand.Core.Notation;

/// <summary>A fraction as a note holds it: half the size of a <see cref="Fraction"/>, in lowest terms.</summary>
/// <remarks>Far beyond any score: two thousand million quarters, or as fine a division of one.</remarks>
internal readonly struct SmallFraction
{
    private readonly int _numerator;
    private readonly int _denominator;

    private SmallFraction(int numerator, int denominator) => (_numerator, _denominator) = (numerator, denominator);

    /// <summary>The same number, small.</summary>
    /// <exception cref="OverflowException">Its terms leave the range of a 32-bit integer.</exception>
    public static implicit operator SmallFraction(Fraction value) =>
        checked(new SmallFraction((int)value.Numerator, (int)value.Denominator));

    /// <summary>The same number, to count with.</summary>
    public static implicit operator Fraction(SmallFraction value) =>
        Fraction.OfLowest(value._numerator, value._denominator == 0 ? 1 : value._denominator);
}
