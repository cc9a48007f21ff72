using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>One thing to look for. A new rule is one new file that implements this and nothing else.</summary>
public interface IStudyRule
{
    /// <summary>The fixed name of the rule in the HTTP interface.</summary>
    string Name { get; }

    /// <summary>Looks at one part. The same finding in several parts is joined afterwards.</summary>
    IEnumerable<Finding> Examine(StudyContext context, Part part);
}
