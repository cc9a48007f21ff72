namespace MellowStand.Storage.Keeping;

/// <summary>The data cannot be opened, backed up or put back; the message is a sentence for whoever started the program.</summary>
#pragma warning disable CA1032 // It always has a sentence.
public sealed class KeepingException(string sentence, Exception? cause = null) : Exception(sentence, cause);
#pragma warning restore CA1032
