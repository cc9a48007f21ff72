using System.Globalization;
using System.Net;
using System.Text;
using Microsoft.Data.Sqlite;

namespace MellowStand.Server.Tests;

/// <summary>What a director may get wrong, route by route: refused with a sentence that says what and how to mend, and nothing changed by
/// it. Each line is a request to the demo school and words of its answer.</summary>
public sealed class RefusalTests(RefusalTests.School school) : IClassFixture<RefusalTests.School>
{
    private const string Passage =
        """{"title":"x","parts":["P1"],"from":"1","to":"4","start":{"unit":"quarter","bpm":60},"goal":{"unit":"quarter","bpm":90},""";

    private static string Due(int days) => $"\"due\":\"{TestDay.In(days)}\"";

    /// <summary>Method and address, body, status, words.</summary>
    public static TheoryData<string, string, int, string> Refused =>
        new()
        {
            // Pieces.
            { "PUT /api/pieces/1", """{"title":"","kind":"piece"}""", 400, "A piece needs a title." },
            { "PUT /api/pieces/1", """{"title":"x","kind":"opera"}""", 400, "The kind is \"piece\" or \"etude\"." },
            { "PUT /api/pieces/999", """{"title":"x","kind":"piece"}""", 404, "There is no piece 999 on the shelf. Open the" },
            { "DELETE /api/pieces/999", "", 404, "There is no piece 999 on the shelf. Open the" },
            { "PUT /api/pieces/1/parts/P1/instrument", """{"instrument":"kazoo"}""", 400, "There is no instrument \"kazoo\". Choose one" },
            { "PUT /api/pieces/1/parts/P99/instrument", """{"instrument":"flute"}""", 404, "There is no part \"P99\" in this piece. Its" },
            { "POST /api/pieces/1/prints", """{"parts":["P99"],"paper":"A4"}""", 404, "There is no part \"P99\" in this piece. Its" },
            { "POST /api/pieces/1/prints", """{"parts":["P1"],"paper":"napkin"}""", 400, "The paper is A4 or Letter." },
            { "GET /api/pieces/1/study?from=900", "", 404, "There is no measure \"900\" in this piece. It" },
            { "GET /api/pieces/1/technique?part=P1&from=9&to=2", "", 400, "Measure 9 comes after measure 2. Exchange" },
            { "PUT /api/pieces/1/parts/P1/players", """{"players":[99999]}""", 404, "A player is not in the ensemble any more." },
            // Tempo.
            {
                "POST /api/tempo/ladder",
                """{"start":{"unit":"quarter","bpm":0},"goal":{"unit":"quarter","bpm":90},"by":"step","value":6}""",
                400,
                "The start tempo must be above 0 beats a"
            },
            {
                "POST /api/tempo/ladder",
                """{"start":{"unit":"firkin","bpm":60},"goal":{"unit":"quarter","bpm":90},"by":"step","value":6}""",
                400,
                "The unit of the start is not known. Use one"
            },
            {
                "POST /api/tempo/ladder",
                """{"start":{"unit":"quarter","bpm":60},"goal":{"unit":"quarter","bpm":90},"by":"luck","value":6}""",
                400,
                "A ladder climbs by step, percent, marks or"
            },
            {
                "POST /api/tempo/ladder",
                """{"start":{"unit":"quarter","bpm":120},"goal":{"unit":"quarter","bpm":90},"by":"step","value":6}""",
                400,
                "The start (quarter = 120) is faster than the"
            },
            {
                "POST /api/pieces/1/performance",
                """{"parts":["P1"],"from":"1","to":"4","unit":"quarter","bpm":5000}""",
                400,
                "A click runs at more than 0 and at most 1000"
            },
            // Passages.
            {
                "POST /api/pieces/1/passages",
                Passage + "\"by\":\"step\",\"value\":6," + Due(-3) + ",\"sections\":[1]}",
                400,
                " is past. Choose today or a later day."
            },
            {
                "POST /api/pieces/1/passages",
                Passage + "\"by\":\"step\",\"value\":6," + Due(9) + ",\"sections\":[999]}",
                404,
                "A section or player is not in the ensemble any more"
            },
            {
                "POST /api/pieces/1/passages",
                Passage + "\"by\":\"step\",\"value\":6," + Due(9) + ",\"players\":[99999]}",
                404,
                "A section or player is not in the ensemble any more"
            },
            {
                "POST /api/pieces/1/passages",
                Passage + "\"by\":\"step\",\"value\":0," + Due(9) + ",\"sections\":[1]}",
                400,
                "The size of a step must be above 0."
            },
            {
                "POST /api/pieces/1/passages",
                Passage.Replace("\"4\"", "\"0\"", StringComparison.Ordinal) + Due(9) + "}",
                400,
                "Measure 1 comes after measure 0. Exchange them."
            },
            { "POST /api/pieces/1/passages/many", """{"passages":[]}""", 400, "Hand out 1 to 200 passages at once." },
            { "POST /api/passages/999/remarks", """{"players":[1],"words":"x"}""", 404, "There is no passage 999. Load the list again." },
            { "POST /api/passages/1/remarks", """{"players":[1],"words":""}""", 400, "The remark is empty. Write it first." },
            {
                "PUT /api/passages/1/path",
                """{"steps":[{"recipe":"hum","stage":1}],"version":1}""",
                400,
                "The request cannot be read: the value at"
            },
            { "DELETE /api/passages/999", "", 404, "There is no passage 999. Load the list again." },
            // Decisions and remarks of Study.
            {
                "POST /api/pieces/1/decisions",
                """{"difference":"no-such","reading":"x"}""",
                404,
                "This difference is not in the piece. Load the"
            },
            { "POST /api/pieces/1/decisions", "{}", 400, "A decision names a difference, or a part and" },
            { "POST /api/pieces/1/decisions/all", """{"kind":"whistle"}""", 400, "There is nothing sure of this kind left to" },
            { "DELETE /api/pieces/1/decisions/99999", "", 404, "Decision 99999 is not in force, so there is" },
            { "PUT /api/pieces/1/study/no-such/review", """{"state":"seen"}""", 404, "This finding is not in the piece any more." },
            { "POST /api/pieces/1/study/no-such/mark", "", 404, "This finding is not in the piece any more." },
            {
                "POST /api/pieces/1/marks",
                """{"parts":["P1"],"from":"1","to":"1","add":["blorp"]}""",
                400,
                "There is no mark \"blorp\". Use one of:"
            },
            { "POST /api/pieces/1/marks", """{"parts":["P1"],"from":"1","to":"1"}""", 400, "Choose a mark to add or to take away, or" },
            {
                "PUT /api/pieces/1/lines/leader",
                """{"parts":["P1"],"leader":"P2"}""",
                400,
                "A line has two parts or more. Send the ids of"
            },
            // Charts.
            {
                "PUT /api/charts/kazoo/corrections",
                """{"written":70,"code":"x","standing":"usual","keys":["1"]}""",
                404,
                "There is no such instrument. Choose one from"
            },
            {
                "PUT /api/charts/flute/corrections",
                """{"written":70,"code":"x","standing":"usual","keys":["zz"]}""",
                400,
                "The chart has no key \"zz\". Take keys of its"
            },
            {
                "PUT /api/charts/flute/corrections",
                """{"written":70,"code":"x","standing":"sometimes","keys":["1"]}""",
                400,
                "A fingering stands as one of usual,"
            },
            { "DELETE /api/charts/flute/corrections/70/none", "", 404, "There is no such correction. Load the chart" },
            // Calendar and season.
            {
                "PUT /api/calendar/practice",
                """{"minutes":-1,"restDays":[],"runDays":2,"version":1}""",
                400,
                "A day has 0 to 240 minutes of practice. More"
            },
            { "PUT /api/calendar/practice", """{"minutes":20,"restDays":[9],"runDays":2}""", 400, "A day of the week is 0 (Sunday) to 6" },
            { "PUT /api/calendar/minutes", """{"whose":"nobody","id":1,"minutes":10}""", 400, "Minutes are of a section or a player." },
            { "POST /api/calendar/entries", """{"entries":[]}""", 400, "Add 1 to 1500 entries at once." },
            {
                "POST /api/calendar/entries",
                """{"entries":[{"first":"2027-03-09","last":"2027-03-02","kind":"off","title":"x"}]}""",
                400,
                "The entry of 2027-03-09 ends before it"
            },
            {
                "POST /api/calendar/entries",
                """{"entries":[{"first":"2027-03-09","kind":"party","title":"x"}]}""",
                400,
                "An entry is one of off, rehearsal, concert,"
            },
            {
                "PUT /api/calendar/entries/99999",
                """{"first":"2027-03-09","kind":"off","title":"x","version":1}""",
                404,
                "This entry of the calendar is not there any"
            },
            { "POST /api/season/plans/999/keep", """{"seen":null}""", 404, "There is no plan 999 any more. Make one anew." },
            { "DELETE /api/season/plans/999", "", 404, "This plan is not in force. Load the page" },
            {
                "PUT /api/season/sessions/99999",
                """{"day":"2027-03-09","byHand":true,"version":1}""",
                404,
                "This session is not in the plan any more."
            },
            { "POST /api/plan", """{"days":[{"date":"2027-03-09","minutes":-5}],"passages":[]}""", 400, "A day has 0 to 1200 minutes." },
            // Log, tests.
            {
                "POST /api/log",
                """{"passage":999,"player":1,"unit":"quarter","bpm":80}""",
                404,
                "There is no passage 999. Load the list again."
            },
            {
                "POST /api/log",
                """{"passage":1,"player":99999,"unit":"quarter","bpm":80}""",
                404,
                "This player is not in the ensemble. Load the"
            },
            {
                "POST /api/log",
                """{"passage":1,"player":1,"unit":"quarter","bpm":0}""",
                400,
                "A clean tempo is more than 0 and at most 1000"
            },
            {
                "POST /api/log",
                """{"passage":1,"player":1,"unit":"quarter","bpm":80,"heard":"2031-01-01"}""",
                400,
                "A passage cannot be heard on a future date."
            },
            { "DELETE /api/log/99999", "", 404, "This entry is not in the log. Load the page" },
            { "POST /api/forecast", """{"entries":[],"goal":0,"due":"2027-04-01"}""", 400, "The goal is more than 0 and at most 1000" },
            {
                "POST /api/tests",
                """{"passage":999,"title":"x","unit":"quarter","bpm":80}""",
                404,
                "There is no passage 999. Load the list again."
            },
            {
                "POST /api/tests",
                """{"passage":1,"title":"x","unit":"quarter","bpm":80,"weights":[{"criterion":"charm","weight":1}]}""",
                400,
                "A criterion is not on the list, or is there"
            },
            { "PUT /api/tests/1/marks/1", """{"marks":{"rhythm":99}}""", 400, "A mark is a whole number from 0 to 5." },
            { "PUT /api/tests/999/marks/1", """{"marks":{"rhythm":3}}""", 404, "There is no test 999. Load the list again." },
            // Auditions.
            { "PUT /api/auditions/1", """{"name":"","rounds":[],"version":1}""", 400, "A set has 1 to 8 rounds, each with its day." },
            { "PUT /api/auditions/999", """{"name":"x","rounds":[],"version":1}""", 404, "There is no audition set 999. Open the" },
            { "POST /api/auditions/1/matters/no-such", """{"answer":"x"}""", 404, "There is no matter \"no-such\". Load the set" },
            {
                "PUT /api/auditions/1/candidates",
                """{"candidates":[{"player":99999,"instrument":"flute"}]}""",
                404,
                "A player is not in the ensemble any more."
            },
            { "POST /api/auditions/1/rounds/99/handout", "", 404, "There is no round 99 in Valley audition. Load" },
            {
                "POST /api/auditions/1/entries",
                """{"piece":999,"instrument":"flute","kind":"lyrical"}""",
                404,
                "There is no piece 999 on the shelf. Open the"
            },
            {
                "POST /api/auditions/1/entries",
                """{"piece":1,"instrument":"kazoo","kind":"lyrical"}""",
                400,
                "There is no instrument \"kazoo\". Choose one"
            },
            { "POST /api/scales", """{"instrument":"flute","scales":[]}""", 400, "Ask for 1 to 60 scales." },
            { "DELETE /api/mocks/999", "", 404, "This mock audition is not there any more." },
            { "PUT /api/mocks/1/marks/999/1", """{"marks":{"rhythm":3}}""", 404, "There is no such number or listener in this" },
            // Ensemble and house.
            { "POST /api/ensemble/sections", """{"name":""}""", 400, "A section needs a name." },
            { "PUT /api/ensemble/sections/999", """{"name":"x","version":1}""", 404, "This section is not there any more. Load the" },
            {
                "POST /api/ensemble/players",
                """{"section":999,"name":"x","chair":1,"level":"comfortable"}""",
                404,
                "There is no section 999. Load the ensemble"
            },
            { "POST /api/ensemble/players", """{"section":1,"name":"","chair":1,"level":"comfortable"}""", 400, "A player needs a name." },
            {
                "POST /api/ensemble/players",
                """{"section":1,"name":"x","chair":0,"level":"comfortable"}""",
                400,
                "A chair is a number from 1 to 99."
            },
            {
                "POST /api/ensemble/players",
                """{"section":1,"name":"x","chair":1,"level":"heroic"}""",
                400,
                "A level is one of comfortable, advanced,"
            },
            {
                "POST /api/ensemble/players",
                """{"section":1,"name":"x","chair":1,"level":"comfortable","instrument":"kazoo"}""",
                400,
                "There is no such instrument. Choose one from"
            },
            { "DELETE /api/ensemble/players/99999", "", 404, "There is no player 99999. Load the ensemble" },
            { "POST /api/ensemble/roster", """{"rows":[]}""", 400, "The list is empty. Bring one with at least" },
            { "PUT /api/house-rules/no-such", """{"choice":"x","version":0}""", 404, "There is no such house rule. Load the page" },
            { "PUT /api/house-rules/counting-words", """{"choice":"x","version":0}""", 400, "\"x\" is no answer to this question. Choose" },
            { "DELETE /api/jobs/none", "", 404, "There is no such job any more: it is over," },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task What_cannot_be_is_refused_in_words_and_changes_nothing(string request, string body, int status, string words)
    {
        var (method, url) = (request.Split(' ')[0], request.Split(' ')[1]);
        using var message = new HttpRequestMessage(new HttpMethod(method), url);
        if (body.Length > 0)
            message.Content = new StringContent(body, Encoding.UTF8, "application/json");
        var before = school.Changes();
        var answer = await school.Client.SendAsync(message, TestContext.Current.CancellationToken);
        var sentence = await answer.Sentence();
        Assert.Equal((HttpStatusCode)status, answer.StatusCode);
        Assert.Contains(words, sentence, StringComparison.Ordinal);
        Assert.Equal(before, school.Changes());
    }

    /// <summary>The demo school on a server of its own.</summary>
    public sealed class School : IDisposable
    {
        private readonly SchoolServer _server = new() { WithSchool = true };
        private readonly SqliteConnection _watch;

        public School()
        {
            Client = _server.CreateClient();
            _watch = new SqliteConnection($"Data Source={Path.Combine(_server.Data, "stand.db")};Pooling=False");
            _watch.Open();
        }

        public HttpClient Client { get; }

        /// <summary>A number that another connection's commit changes (SQLite, PRAGMA data_version).</summary>
        public long Changes()
        {
            using var ask = _watch.CreateCommand();
            ask.CommandText = "PRAGMA data_version";
            return Convert.ToInt64(ask.ExecuteScalar(), CultureInfo.InvariantCulture);
        }

        public void Dispose()
        {
            _watch.Dispose();
            Client.Dispose();
            _server.Dispose();
        }
    }
}
