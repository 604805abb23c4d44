#pragma once
#include <QAbstractButton>
#include <QThreadPool>
#include <filesystem>

class QBoxLayout;
class QPushButton;

namespace baryton {

/// A picture with a title and a line below it, pressed as a button.
class PictureCard : public QAbstractButton {
    Q_OBJECT
public:
    PictureCard(const QString& title, const QString& line, QSize picture, QWidget* parent = nullptr);
    void setPicture(const QImage& picture);
    bool hasPicture() const { return !picture_.isNull(); }
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    bool event(QEvent* event) override;

private:
    QString line_;
    QSize room_;
    QImage picture_; ///< cut to its room, in the screen's own pixels
};

/// What stands there when nothing is open: the three tasks, a folder, pictures, the demo set, what was open lately.
class WelcomePage : public QWidget {
    Q_OBJECT
public:
    explicit WelcomePage(QWidget* parent = nullptr);
    ~WelcomePage() override;
    void fill(); ///< what was open lately

Q_SIGNALS:
    void folderWanted();
    void picturesWanted();
    void pathWanted(const QString& path);
    void guideWanted(const QString& page);

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    QBoxLayout* makeTasks();
    QBoxLayout* makeButtons();

    QBoxLayout* recent_;
    QPushButton* open_ = nullptr;
    QThreadPool pool_; ///< reads the first picture of each set
};

/// Lays a copy of the demo set, some of it graded, into the user's data folder; what is there of it already stays as
/// it is. Gives where it lies: the set itself, where no copy can be made; empty where the program comes without it.
std::filesystem::path openDemoSet();
/// The presets that come with the program, one folder a group; empty when they are not there.
std::filesystem::path givenPresetsFolder();

} // namespace baryton
