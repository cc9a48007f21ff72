using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Demo.Compose;

// Writes the demo's scores as MusicXML: dotnet run --project demo/Compose -- demo/scores
var folder = Directory.CreateDirectory(args.Length > 0 ? args[0] : "demo/scores").FullName;
var all = new List<(string File, string Text)> { ("harbor-lanterns", BandPiece.Text()), ("the-slow-ferry", StringPiece.Text()) };
all.AddRange(Etudes.All());
foreach (var (file, text) in all)
{
    var path = Path.Combine(folder, file + ".musicxml");
    var document = ShortFormReader.Document(text);
    File.WriteAllText(path, "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n" + document.Root + "\n");
    var score = ScoreReader.Read(File.ReadAllBytes(path));
    Console.WriteLine($"{file}: {score.Parts.Count} parts, {score.Measures.Count} measures, {score.Warnings.Count} warnings");
    foreach (var warning in score.Warnings)
        Console.WriteLine("  " + warning);
}
