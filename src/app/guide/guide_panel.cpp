#include "app/guide/guide_panel.h"
#include "app/settings.h"
#include "app/shipped.h"
#include "app/theme/theme.h"
#include "app/translation.h"
#include "app/widgets/labels.h"

#include <QAbstractTextDocumentLayout>
#include <QHBoxLayout>
#include <QImageReader>
#include <QKeyEvent>
#include <QRegularExpression>
#include <QScrollBar>
#include <QTextBlock>
#include <QTextTable>
#include <QVBoxLayout>

namespace baryton {

namespace {

/// Letters alone, so that "#what-it-sets" and "What it sets:" are one, and so are "Band 1 hue" and "Band 8 hue".
QString folded(const QString& heading) {
    QString plain;
    for (const QChar c : heading)
        if (c.isLetter()) plain += c.toLower();
    return plain;
}

/// What a page of Markdown looks like here: the importer's own is that of a letter.
void setLook(QTextDocument& document) {
    const auto& colours = theme::colours();
    QTextCursor cursor(&document);
    for (QTextBlock block = document.begin(); block.isValid(); block = block.next()) {
        cursor.setPosition(block.position());
        QTextBlockFormat format = block.blockFormat();
        const int level = format.headingLevel();
        if (QTextTable* table = cursor.currentTable()) {
            QTextTableFormat lines = table->format();
            lines.setBorderCollapse(true);
            lines.setBorder(1);
            lines.setBorderBrush(colours.edge);
            lines.setCellPadding(4);
            if (lines != table->format()) table->setFormat(lines);
            continue;
        }
        format.setTopMargin(level > 1 ? 16 : 0);
        format.setBottomMargin(level > 0 ? 6 : 9);
        bool isPicture = false;
        std::vector<QTextFragment> fragments; // first all, then changed: a change may join them
        for (auto it = block.begin(); !it.atEnd(); ++it) fragments.push_back(it.fragment());
        for (const QTextFragment& fragment : fragments) {
            const QTextCharFormat as = fragment.charFormat();
            isPicture = isPicture || as.isImageFormat();
            // In the typeface that comes with the program, which has two weights.
            QTextCharFormat letters;
            if (as.fontFixedPitch()) {
                letters.setFontFamilies(document.defaultFont().families());
                letters.setFontFixedPitch(false);
                letters.setBackground(colours.raised);
            }
            if (as.fontWeight() > QFont::DemiBold) letters.setFontWeight(QFont::DemiBold);
            if (letters.isEmpty()) continue;
            QTextCursor part(&document);
            part.setPosition(fragment.position());
            part.setPosition(fragment.position() + fragment.length(), QTextCursor::KeepAnchor);
            part.mergeCharFormat(letters);
        }
        format.setLineHeight(level > 0 || isPicture ? 100 : 125, QTextBlockFormat::ProportionalHeight);
        cursor.setBlockFormat(format);
        if (level == 0) continue;
        cursor.movePosition(QTextCursor::EndOfBlock, QTextCursor::KeepAnchor);
        QTextCharFormat letters = cursor.charFormat();
        letters.clearProperty(QTextFormat::FontSizeAdjustment);
        letters.setProperty(QTextFormat::FontPixelSize, level == 1 ? 20 : 15);
        letters.setFontWeight(QFont::DemiBold);
        cursor.setCharFormat(letters);
    }
}

} // namespace

GuideBrowser::GuideBrowser(QWidget* parent) : QTextBrowser(parent) {
    setOpenLinks(false);
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    document()->setDocumentMargin(14);
    document()->setIndentWidth(18);
    again_.setSingleShot(true);
    again_.setInterval(120);
    connect(&again_, &QTimer::timeout, this, [this] {
        const int at = verticalScrollBar()->value();
        lay();
        if (parts_.isEmpty())
            verticalScrollBar()->setValue(at);
        else
            goTo(parts_);
    });
    connect(this, &QTextBrowser::anchorClicked, this, [this](const QUrl& url) { Q_EMIT linkWanted(url.toString()); });
}

void GuideBrowser::showPage(const GuidePage& page) {
    folder_ = page.folder;
    showMarkdown(page.markdown);
}

void GuideBrowser::showMarkdown(const QString& markdown) {
    markdown_ = markdown;
    parts_.clear();
    lay();
    verticalScrollBar()->setValue(0);
}

void GuideBrowser::lay() {
    document()->clear();
    setExtraSelections({});
    document()->setMarkdown(markdown_, QTextDocument::MarkdownDialectGitHub);
    setLook(*document());
}

void GuideBrowser::goTo(const QStringList& parts) {
    const auto found =
        std::find_if(parts.begin(), parts.end(), [this](const QString& part) { return goToOne(part); });
    parts_ = found == parts.end() ? QStringList() : QStringList{*found};
}

QString GuideBrowser::marked() const {
    return extraSelections().isEmpty() ? QString() : extraSelections().first().cursor.selectedText();
}

bool GuideBrowser::goToOne(const QString& part) {
    const QString wanted = folded(part);
    if (wanted.isEmpty()) return false;
    QTextBlock found;
    for (QTextBlock block = document()->begin(); block.isValid() && !found.isValid(); block = block.next())
        if (block.blockFormat().headingLevel() > 0 && folded(block.text()) == wanted) found = block;
    // A paragraph that begins with the name of a control in bold letters.
    for (QTextBlock block = document()->begin(); block.isValid() && !found.isValid(); block = block.next())
        if (const auto first = block.begin(); !first.atEnd() &&
                                              first.fragment().charFormat().fontWeight() >= QFont::DemiBold &&
                                              folded(first.fragment().text()) == wanted)
            found = block;
    if (!found.isValid()) return false;
    if (found.blockFormat().headingLevel() != 1) {
        QTextEdit::ExtraSelection mark;
        mark.cursor = QTextCursor(found);
        QColor ground = theme::colours().accent;
        ground.setAlphaF(0.18F);
        mark.format.setBackground(ground);
        mark.cursor.movePosition(QTextCursor::EndOfBlock, QTextCursor::KeepAnchor);
        setExtraSelections({mark});
    }
    const QRectF place = document()->documentLayout()->blockBoundingRect(found);
    verticalScrollBar()->setValue(static_cast<int>(place.top()) - 10);
    return true;
}

QVariant GuideBrowser::loadResource(int type, const QUrl& name) {
    if (type != QTextDocument::ImageResource) return {};
    QImageReader reader(QString::fromStdString((folder_ / name.toString().toStdString()).string()));
    const QSize full = reader.size();
    const double ratio = devicePixelRatioF();
    const int width = viewport()->width() - 2 * static_cast<int>(document()->documentMargin());
    if (full.isEmpty() || width < 40) return QImage(1, 1, QImage::Format_ARGB32_Premultiplied);
    QImage image = reader.read();
    const int most = static_cast<int>(width * ratio);
    if (image.width() > most) image = image.scaledToWidth(most, Qt::SmoothTransformation);
    image.setDevicePixelRatio(ratio);
    return image;
}

void GuideBrowser::changeEvent(QEvent* event) {
    QTextBrowser::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && !markdown_.isEmpty()) again_.start(); // another theme
}

void GuideBrowser::resizeEvent(QResizeEvent* event) {
    QTextBrowser::resizeEvent(event);
    if (event->size().width() != event->oldSize().width()) again_.start();
}

// Pages are put in by showPage(); a link never opens a file by itself.
void GuideBrowser::doSetSource(const QUrl&, QTextDocument::ResourceType) {}

GuidePanel::GuidePanel(QWidget* parent)
    : QWidget(parent), guide_(guideFolder(), spokenLanguage()), search_(new QLineEdit), back_(makeButton({}, "flat")),
      browser_(new GuideBrowser) {
    setObjectName(QStringLiteral("panel"));
    setAttribute(Qt::WA_StyledBackground);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 8, 0, 0);
    column->setSpacing(6);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(8, 0, 8, 0);
    head->setSpacing(4);
    back_->setIcon(theme::icon(QStringLiteral("left")));
    back_->setFixedWidth(28);
    back_->setAccessibleName(tr("Back"));
    back_->setToolTip(tr("The page that was read before"));
    back_->setEnabled(false);
    auto* contents = makeButton(tr("Contents"), "flat");
    search_->setPlaceholderText(tr("Search the guide"));
    search_->setAccessibleName(tr("Search the guide"));
    search_->setClearButtonEnabled(true);
    auto* close = makeButton({}, "flat");
    close->setIcon(theme::icon(QStringLiteral("close")));
    close->setFixedWidth(28);
    close->setAccessibleName(tr("Close the guide"));
    close->setToolTip(tr("Close the guide (Escape)"));
    head->addWidget(back_);
    head->addWidget(contents);
    head->addWidget(search_, 1);
    head->addWidget(close);
    column->addLayout(head);
    browser_->setAccessibleName(tr("Page of the guide"));
    column->addWidget(browser_, 1);
    connect(close, &QPushButton::clicked, this, &GuidePanel::closeWanted);
    connect(contents, &QPushButton::clicked, this, [this] { open({Guide::contentsId()}); });
    connect(back_, &QPushButton::clicked, this, [this] {
        if (!search_->text().isEmpty()) return search_->clear(); // to the page that was searched from
        if (before_.empty()) return;
        const GuidePlace last = before_.back();
        before_.pop_back();
        showPlace(last);
    });
    connect(search_, &QLineEdit::textChanged, this, &GuidePanel::search);
    connect(browser_, &GuideBrowser::linkWanted, this, [this](const QString& link) {
        const GuidePage* from = guide_.find(place_.page);
        const GuidePlace place = guide_.follow(from ? *from : GuidePage(), QUrl::fromPercentEncoding(link.toUtf8()));
        if (guide_.find(place.page)) open(place);
    });
    showPlace({Guide::contentsId()});
}

void GuidePanel::open(const GuidePlace& place) {
    if (place != place_) before_.push_back(place_);
    place_ = guide_.find(place.page) ? place : GuidePlace{Guide::contentsId()};
    if (search_->text().isEmpty())
        showPlace(place_);
    else
        search_->clear(); // which shows it
}

void GuidePanel::showPlace(const GuidePlace& place) {
    place_ = place;
    back_->setEnabled(!before_.empty());
    if (const GuidePage* page = guide_.find(place.page)) {
        browser_->showPage(*page);
        browser_->goTo(place.parts);
    } else
        browser_->showMarkdown(tr("The pages of the guide are not where the program was installed."));
}

void GuidePanel::search(const QString& words) {
    if (words.simplified().isEmpty()) return showPlace(place_);
    back_->setEnabled(true);
    const auto hits = guide_.search(words);
    QStringList lines;
    // A link in a paragraph counts from the page that it stands on.
    static const QRegularExpression link(QStringLiteral(R"(\[([^\]]*)\]\([^)]+\))"));
    for (const Guide::Hit& hit : hits) {
        const QString part = hit.place.parts.value(0);
        const QString target = hit.place.page + (part.isEmpty() ? QString() : u'#' + part);
        lines.append(
            QStringLiteral("## [%1](%2)").arg(hit.title, QString::fromLatin1(QUrl::toPercentEncoding(target, "/#"))));
        QString line = hit.line.startsWith(u'|') ? hit.line.section(u'|', 1).replace(u'|', u' ') : hit.line;
        lines.append(line.replace(link, QStringLiteral("\\1")));
    }
    browser_->showMarkdown(hits.empty() ? tr("Nothing in the guide has all of these words.")
                                        : lines.join(QStringLiteral("\n\n")));
}

void GuidePanel::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) return Q_EMIT closeWanted();
    QWidget::keyPressEvent(event);
}

std::filesystem::path guideFolder() {
    return shippedFolder("guide", "docs");
}

} // namespace baryton
