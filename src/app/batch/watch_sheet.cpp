#include "app/batch/watch_sheet.h"
#include "app/behind.h"
#include "app/render_image.h"
#include "app/theme/theme.h"
#include "app/widgets/labels.h"
#include "base/error.h"
#include "picture/picture_file.h"

namespace baryton {

namespace {
constexpr QSize kPicture(72, 48);
} // namespace

WatchSheet::WatchSheet(FolderWatcher& watcher, QWidget* parent)
    : Sheet(tr("Watched folder"), QStringLiteral("guide/batch#") + tr("Plans"), parent), watcher_(watcher),
      counts_(makeLabel({}, "heading")), list_(new QListWidget) {
    pool_.setMaxThreadCount(1);
    rows()->addWidget(counts_);
    addNote(tr("What arrives in %1 is made as it was set when the watching began, into %2. A file that is still "
               "being copied is left until it is whole. Closing this leaves the watching on.")
                .arg(QString::fromStdString(watcher.folder().string()),
                     QString::fromStdString(watcher.target().string())));
    list_->setAccessibleName(tr("Files made of what arrived"));
    list_->setIconSize(kPicture);
    list_->setUniformItemSizes(true);
    list_->setSelectionMode(QAbstractItemView::NoSelection);
    list_->setMinimumHeight(260);
    rows()->addWidget(list_, 1);
    auto* stop = makeButton(tr("Stop watching"), "");
    connect(stop, &QPushButton::clicked, this, [this] {
        accept();
        Q_EMIT stopWanted();
    });
    addCloseFoot("primary", stop);
    connect(&watcher, &FolderWatcher::changed, this, &WatchSheet::showMade);
    connect(&watcher, &QObject::destroyed, this, &QDialog::reject);
    setMinimumWidth(520);
    showMade();
}

WatchSheet::~WatchSheet() {
    pool_.clear();
    waitFor(pool_);
}

void WatchSheet::showMade() {
    counts_->setText(watcher_.made().empty() ? tr("Nothing has arrived yet") : watcher_.progressText());
    for (; shown_ < watcher_.made().size(); ++shown_) {
        const auto& [picture, job] = watcher_.made()[shown_];
        const bool isMade = job.state != JobState::Failed;
        const QString second =
            isMade ? QString::fromStdString(job.file.filename().string()) : QString::fromStdString(job.error);
        auto* item =
            new QListWidgetItem(QString::fromStdString(picture.filename().string()) + QLatin1Char('\n') + second);
        item->setSizeHint({0, kPicture.height() + 10});
        QPixmap empty(kPicture);
        empty.fill(theme::colours().well);
        item->setIcon(empty);
        if (!isMade) item->setForeground(theme::colours().error);
        item->setToolTip(isMade ? QString::fromStdString(job.file.string())
                                : QString::fromStdString(job.error + ". " + job.errorHint));
        list_->insertItem(0, item);
        if (isMade) readPicture(job.file, item);
    }
}

void WatchSheet::readPicture(const std::filesystem::path& file, QListWidgetItem* item) {
    runBehind(pool_, [this, file, item] {
        QImage image;
        try {
            image = imageOf(readThumbnail(file, kPicture.width()));
        } catch (const std::exception&) {
            return; // one that can't be opened here keeps its grey field
        }
        tellWindow(this, [item, image] {
            const QImage filling = image.scaled(kPicture, Qt::KeepAspectRatioByExpanding, Qt::SmoothTransformation);
            item->setIcon(QPixmap::fromImage(filling.copy(
                QRect(QPoint((filling.width() - kPicture.width()) / 2, (filling.height() - kPicture.height()) / 2),
                      kPicture))));
        });
    });
}

} // namespace baryton
