#include "app/guide/guide.h"
#include "base/error.h"
#include "base/file.h"
#include "base/words.h"
#include "stages/limits.h"
#include "stages/purposes.h"
#include "stages/stage_type.h"

#include <QCoreApplication>
#include <QRegularExpression>
#include <QSet>
#include <algorithm>

namespace baryton {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t kMostPage = std::size_t(1) << 20;
const QString kStages = QStringLiteral("stages"); ///< the page that lists them

QString text(const std::string& utf8) {
    return QString::fromStdString(utf8);
}

QString titleOf(const QString& markdown) {
    static const QRegularExpression first(QStringLiteral("^# (.+)$"), QRegularExpression::MultilineOption);
    return first.match(markdown).captured(1).trimmed();
}

/// Every link that isn't a picture: its target.
QStringList linksOf(const QString& markdown) {
    static const QRegularExpression link(QStringLiteral(R"((?<!!)\[[^\]]*\]\(([^)]+)\))"));
    QStringList all;
    for (auto it = link.globalMatch(markdown); it.hasNext();) all.append(it.next().captured(1));
    return all;
}

/// Its paragraphs, headings and rows of tables, each a line.
QStringList paragraphsOf(const QString& markdown) {
    QStringList all;
    bool goesOn = false;
    for (const QString& each : markdown.split(u'\n')) {
        const QString line = each.trimmed();
        const bool begins = line.startsWith(u'#') || line.startsWith(u'|') || line.startsWith(u'-') ||
                            line.startsWith(QLatin1String("![")) || (!line.isEmpty() && line.at(0).isDigit());
        if (line.isEmpty())
            goesOn = false;
        else if (goesOn && !begins)
            all.last() += u' ' + line;
        else
            all.append(line), goesOn = !line.startsWith(u'#') && !line.startsWith(u'|');
    }
    return all;
}

QString rangeOf(const ParameterType& p) {
    if (p.kind == ParameterKind::Choice) {
        QStringList names;
        for (const auto& option : p.options) names.append(text(option.name));
        return names.join(QStringLiteral(", "));
    }
    if (p.kind != ParameterKind::Number) return {};
    if (p.wraps) return QStringLiteral("0°…360°");
    // With joiners, so that no line ends within it.
    return text(shownText(p, p.minimum)) + QStringLiteral("\u2060…\u2060") + text(shownText(p, p.maximum));
}

QString stageMarkdown(const StageType& type) {
    const auto tr = [](const char* english) { return QCoreApplication::translate("baryton", english); };
    QStringList lines = {QStringLiteral("# ") + text(type.name), text(type.summary)};
    if (const std::string use = useOf(type.id); !use.empty()) lines.append(text(use));
    lines.append(QStringLiteral("![%1](stages/%1.png)").arg(text(type.id)));
    lines.append(type.bakes()
                     ? tr("Can be part of a LUT.")
                     : tr("Stays out of a LUT: it needs to know where a pixel lies, or what lies around it."));
    const auto isLimit = [](const ParameterType& p) {
        const auto& limits = limitParameters();
        return std::any_of(limits.begin(), limits.end(), [&](const auto& l) { return l.id == p.id; });
    };
    // Eight bands that say the same of each field are one paragraph a field.
    static const QRegularExpression digits(QStringLiteral("[0-9]+"));
    QSet<QString> said;
    for (const auto& p : type.parameters) {
        if (isLimit(p) || p.tooltip.empty()) continue;
        const QString what = text(p.name).remove(digits) + text(p.tooltip);
        if (said.contains(what)) continue;
        said.insert(what);
        const QString range = rangeOf(p);
        lines.append(QStringLiteral("**%1** – %2%3")
                         .arg(text(p.name), text(p.tooltip),
                              range.isEmpty() ? QString() : QStringLiteral(" *%1*").arg(range)));
    }
    return lines.join(QStringLiteral("\n\n"));
}

} // namespace

Guide::Guide(fs::path docs, const QString& language) : docs_(std::move(docs)) {
    readPage(contentsId(), language);
    if (const GuidePage* contents = find(contentsId())) {
        const GuidePage from = *contents;
        for (const QString& link : linksOf(from.markdown)) {
            const QString id = follow(from, link).page;
            if (!id.isEmpty() && id != kStages && !find(id)) readPage(id, language);
        }
    }
    addStages();
    unlinkStrays();
}

void Guide::unlinkStrays() {
    static const QRegularExpression link(QStringLiteral(R"((?<!!)\[([^\]]*)\]\(([^)]+)\))"));
    for (GuidePage& page : pages_) {
        QString kept;
        qsizetype at = 0;
        for (auto it = link.globalMatch(page.markdown); it.hasNext();) {
            const auto match = it.next();
            kept += page.markdown.mid(at, match.capturedStart() - at);
            kept += find(follow(page, match.captured(2)).page) ? match.captured() : match.captured(1);
            at = match.capturedEnd();
        }
        page.markdown = kept + page.markdown.mid(at);
    }
}

void Guide::readPage(const QString& id, const QString& language) {
    const fs::path plain = docs_ / (id.toStdString() + ".md");
    // What is there in the language; pictures and links count from where the English page lies.
    for (const fs::path& file : {plain.parent_path() / language.toStdString() / plain.filename(), plain}) {
        std::error_code ignored;
        if (!fs::is_regular_file(file, ignored)) continue;
        try {
            const QString markdown = text(readFile(file, kMostPage));
            pages_.push_back({id, titleOf(markdown), markdown, plain.parent_path()});
            return;
        } catch (const Error&) {
            continue; // one page less
        }
    }
}

void Guide::addStages() {
    const auto tr = [](const char* english) { return QCoreApplication::translate("baryton::Guide", english); };
    QString list = QStringLiteral("# ") + tr("Stages") + QStringLiteral("\n\n");
    for (const StageType* type : stageTypes())
        list += QStringLiteral("- [%1](stage/%2): %3\n").arg(text(type->name), text(type->id), text(type->summary));
    pages_.push_back({kStages, tr("Stages"), list, docs_});
    for (const StageType* type : stageTypes())
        pages_.push_back({QStringLiteral("stage/") + text(type->id), text(type->name), stageMarkdown(*type), docs_});
}

const GuidePage* Guide::find(const QString& id) const {
    const auto at = std::find_if(pages_.begin(), pages_.end(), [&](const GuidePage& page) { return page.id == id; });
    return at == pages_.end() ? nullptr : &*at;
}

GuidePlace Guide::follow(const GuidePage& from, const QString& link) const {
    if (link.contains(QStringLiteral("://"))) return {};
    const QString file = link.section(u'#', 0, 0), part = link.section(u'#', 1);
    const QStringList parts = part.isEmpty() ? QStringList() : QStringList{part};
    if (file.isEmpty()) return {from.id, parts};
    if (find(file)) return {file, parts};
    const fs::path target = (from.folder / file.toStdString()).lexically_normal();
    const fs::path inside = target.lexically_relative(docs_.lexically_normal());
    if (inside.empty() || *inside.begin() == ".." || inside.extension() != ".md") return {};
    const QString id = text((inside.parent_path() / inside.stem()).generic_string());
    // The page of all stages is one page a stage here.
    if (id == kStages)
        for (const StageType* type : stageTypes())
            if (text(type->id) == part) return {QStringLiteral("stage/") + part, {}};
    return {id, parts};
}

std::vector<Guide::Hit> Guide::search(const QString& words) const {
    const QStringList wanted = words.simplified().split(u' ', Qt::SkipEmptyParts);
    if (wanted.isEmpty()) return {};
    const auto holds = [&](const QString& where) {
        return std::all_of(wanted.begin(), wanted.end(),
                           [&](const QString& word) { return where.contains(word, Qt::CaseInsensitive); });
    };
    std::vector<std::pair<int, Hit>> found;
    for (const GuidePage& page : pages_) {
        const QString searched = page.id.startsWith(QLatin1String("stage/"))
                                     ? page.markdown + u'\n' + text(purposesOf(page.id.mid(6).toStdString()))
                                     : page.markdown;
        if (page.id == contentsId() || page.id == kStages || !holds(searched)) continue;
        int rank = holds(page.title) ? 0 : 3;
        QString heading, best, part;
        int most = 0;
        for (const QString& line : paragraphsOf(page.markdown)) {
            if (line.startsWith(QLatin1String("!["))) continue;
            const bool isHeading = line.startsWith(u'#');
            if (isHeading) heading = line.section(u' ', 1);
            const auto count = static_cast<int>(std::count_if(wanted.begin(), wanted.end(), [&](const QString& word) {
                return line.contains(word, Qt::CaseInsensitive);
            }));
            if (isHeading && holds(line)) {
                rank = std::min(rank, 1), part = heading == page.title ? QString() : heading;
                most = -1; // the paragraph below it, whatever it holds
            }
            if (isHeading || count <= most) continue;
            best = line, most = most < 0 ? int(wanted.size()) : count;
            if (rank > 1) part = heading == page.title ? QString() : heading;
            if (count == wanted.size()) rank = std::min(rank, 2);
        }
        found.push_back({rank, {{page.id, part.isEmpty() ? QStringList() : QStringList{part}}, page.title, best}});
    }
    std::stable_sort(found.begin(), found.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<Hit> hits;
    for (auto& [rank, hit] : found) hits.push_back(std::move(hit));
    return hits;
}

} // namespace baryton
