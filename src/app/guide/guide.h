#pragma once
#include <QStringList>
#include <filesystem>
#include <vector>

namespace baryton {

/// One page of the guide.
struct GuidePage {
    QString id;                   ///< "guide/only-there", "keys", "stage/curves"
    QString title;                ///< its first heading
    QString markdown;             ///< in GitHub's dialect
    std::filesystem::path folder; ///< where its pictures and links start from
};

/// A place in the guide: a page, and the heading or the named control on it that is meant: the first of these names
/// that is there, or else its top.
struct GuidePlace {
    QString page;
    QStringList parts{};
    bool operator==(const GuidePlace&) const = default;
};

/// The user's guide: the pages that its contents name, and one for each stage, made from what the stage says of
/// itself.
class Guide {
public:
    /// Reads the pages below `docs`; those of a language ("de") from folders of that name, where there are any.
    /// Missing files are left out: without any there are still the pages of the stages.
    Guide(std::filesystem::path docs, const QString& language);

    const std::vector<GuidePage>& pages() const { return pages_; }
    const GuidePage* find(const QString& id) const;
    /// Where a link on a page leads; an empty page for one that leads out of the guide.
    GuidePlace follow(const GuidePage& from, const QString& link) const;

    struct Hit {
        GuidePlace place;
        QString title; ///< of the page
        QString line;  ///< the paragraph with the words
    };
    /// Pages that hold every one of the words, best first: in the title, in a heading, in one paragraph, anywhere.
    std::vector<Hit> search(const QString& words) const;

    static QString contentsId() { return QStringLiteral("guide/index"); }

private:
    void readPage(const QString& id, const QString& language);
    void addStages();
    void unlinkStrays(); ///< what leads out of the guide is a text here

    std::filesystem::path docs_;
    std::vector<GuidePage> pages_;
};

} // namespace baryton
