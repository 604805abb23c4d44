#pragma once
#include "app/app_state.h"
#include "app/app_task.h"
#include "app/batch/batch_page.h"
#include "app/grade/grade_page.h"
#include "app/grade/picture_window.h"
#include "app/guide/guide_panel.h"
#include "app/keys.h"
#include "app/package/package_page.h"
#include "app/problem_line.h"
#include "app/run_record.h"
#include "app/screen_fit.h"
#include "app/settings.h"

#include <QElapsedTimer>
#include <QMainWindow>
#include <QMenuBar>
#include <QSplitter>
#include <QStackedWidget>
#include <memory>

namespace baryton {

class WelcomePage;

/// The window: menus, the three tasks, the status bar, and messages.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    /// What will be opened first is read from here on, while the window is made.
    explicit MainWindow(std::filesystem::path libraryRoot, const std::vector<std::filesystem::path>& willOpen = {},
                        QWidget* parent = nullptr);
    ~MainWindow() override;

    AppState& state() { return state_; }
    GradePage* gradePage() const { return grade_; }
    PictureWindow* second() const { return second_.get(); } ///< with the picture alone; null while it is closed
    GuidePanel* guide() const { return guide_; }
    /// Made when they are first asked for.
    PackagePage* packagePage();
    BatchPage* batchPage();
    /// Pictures and folders become the set, or join it; plans, presets and LUTs go where they belong.
    void openPaths(const std::vector<std::filesystem::path>& paths, bool adds = false);
    void showTask(AppTask task); ///< without pictures the welcome page stands in Grade's place
    AppTask task() const { return task_; }
    /// Opens the guide beside the work, or, where a dialog asks, beside that.
    void openGuide(const GuidePlace& place);

    void toggleSecond();    ///< opens or closes the second window
    void openSecondAgain(); ///< where it was open at the last closing
    /// Says that the last run was not closed, and offers what was open in it.
    void tellOfCrash(const std::vector<BrokenRun>& runs);

Q_SIGNALS:
    /// What the set is made of now: a folder, or pictures.
    void opened(const std::vector<std::filesystem::path>& paths);
    /// A run that went on without the window has ended: nothing is left to do.
    void endedInBackground();

protected:
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void makeTopBar();
    void makeStatusBar();
    void makeCommands();
    void run(Command command);
    void openDialog(bool folder);
    /// Presets, packs and archives join the library, with an account first; LUTs too where Package is open.
    bool isForLibrary(const std::filesystem::path& path) const;
    bool openOther(const std::filesystem::path& path); ///< a LUT becomes a stage; false for anything else
    void toggleSide(GradePage::Side which);
    void checkActions();
    void fillRecent();
    void copyGrade();
    void pasteGrade(bool withTicks);
    void writePicture();
    void openWith();
    void openPalette();
    void openPreferences();
    void takeSettings(const Settings& settings);
    void askBeforeClosing(); ///< while a batch runs
    void fitToScreens();
    void toggleProof();
    void openProofSheet();
    WelcomePage* welcomePage();
    bool isRunning() const; ///< files are being made
    void rememberPlace();   ///< which picture is in hand, for the next time the set is opened
    void closeSecond();     ///< with the window
    bool hasSecondTheKeys() const { return second_ && second_->isActiveWindow(); }
    PictureView* viewInHand() const; ///< that of the window that has the keys
    void updateUndo();
    void showMessage(const QString& text, bool isProblem);
    void closeGuide();
    bool isGuideOpen() const { return guide_ && guide_->isVisible(); }
    bool answerFromDialog(const QKeyEvent& key); ///< F1 while a dialog is open

    AppState state_;
    GradePage* grade_ = nullptr;
    PackagePage* package_ = nullptr;
    BatchPage* batch_ = nullptr;
    QString set_; ///< the path by which the set was opened
    QStackedWidget* tasks_ = nullptr;
    QSplitter* sides_ = nullptr;  ///< the tasks, and the guide beside them
    GuidePanel* guide_ = nullptr; ///< once it was asked for
    WelcomePage* welcome_ = nullptr;
    ProblemLine* problems_ = nullptr;
    QLabel *pictureText_ = nullptr, *proofText_ = nullptr, *frameText_ = nullptr;
    QTimer messageTimer_, frameTimer_;
    double lastFrame_ = 0;    ///< milliseconds
    QElapsedTimer maskShown_; ///< since the command that shows the mask; invalid once its key was let go
    QMenu* recent_ = nullptr;
    std::optional<Grade> copied_;
    IncludeSet ticked_; ///< of the copied grade, what a paste gives
    std::vector<QPushButton*> taskButtons_;
    AppTask task_ = AppTask::Grade;
    ScreenFit* screens_ = nullptr;
    std::unique_ptr<PictureWindow> second_;                                      ///< while it is open
    enum class Leaving { No, WhenStopped, InBackground } leaving_ = Leaving::No; ///< with a batch that still runs
    bool closesWithoutGrades_ = false; ///< it was said that grades are not on the disk
    std::map<Command, std::function<void()>> commands_;
    std::map<Command, QAction*> actions_;
};

} // namespace baryton
