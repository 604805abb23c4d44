#pragma once
#include "app/guide/guide.h"

#include <QLineEdit>
#include <QPushButton>
#include <QTextBrowser>
#include <QTimer>

namespace baryton {

/// A page as it is read: pictures as wide as the page, links within the guide told.
class GuideBrowser : public QTextBrowser {
    Q_OBJECT
public:
    explicit GuideBrowser(QWidget* parent = nullptr);
    void showPage(const GuidePage& page);
    void showMarkdown(const QString& markdown); ///< with links as "page#part"
    /// Brings the first of these that is there to the top and marks it: a heading, or the paragraph that begins with
    /// a control's name.
    void goTo(const QStringList& parts);
    /// What is marked: the heading or paragraph that was meant; empty where the page's top was.
    QString marked() const;

protected:
    QVariant loadResource(int type, const QUrl& name) override;
    void changeEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void doSetSource(const QUrl& url, QTextDocument::ResourceType type) override;

Q_SIGNALS:
    void linkWanted(const QString& link);

private:
    void lay();

    bool goToOne(const QString& part);

    QString markdown_;
    QStringList parts_;
    std::filesystem::path folder_;
    QTimer again_; ///< pictures are drawn anew once the width rests
};

/// The guide, to be read beside the work: contents, pages, a search over all of them.
class GuidePanel : public QWidget {
    Q_OBJECT
public:
    explicit GuidePanel(QWidget* parent = nullptr);
    /// A page, and on it the part that is meant; the contents where there is no such page.
    void open(const GuidePlace& place);
    const GuidePlace& place() const { return place_; }
    GuideBrowser* browser() const { return browser_; }

    static constexpr int kWidth = 400;

Q_SIGNALS:
    void closeWanted();

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void search(const QString& words);
    void showPlace(const GuidePlace& place);

    Guide guide_;
    QLineEdit* search_;
    QPushButton* back_;
    GuideBrowser* browser_;
    GuidePlace place_;
    std::vector<GuidePlace> before_; ///< the way back
};

/// The guide's pages that come with the program: where it is installed, or in the source tree.
std::filesystem::path guideFolder();

} // namespace baryton
