#pragma once
#include "app/main_window.h"

#include <QTemporaryDir>
#include <functional>

namespace baryton {

namespace test {
inline QString tr8(const char* text) {
    return QString::fromUtf8(text);
}
} // namespace test

/// The real window on a copy of demo pictures, with folders of its own, for tests and screenshots. Everything is done
/// through menus, mouse and keys.
class Driver {
public:
    /// Copies the pictures named (all of the demo set when empty) and the demo presets into a temporary folder.
    explicit Driver(const std::vector<std::string>& names = {});

    /// One of the pictures once more, 700 pixels long, as it comes out with such a light.
    void addShot(const std::string& from, const std::string& name, double stops, double kelvin);

    std::filesystem::path folder() const { return root() / "The Tin Heron Company"; }
    std::filesystem::path root() const { return temporary_.path().toStdString(); }
    std::filesystem::path libraryRoot() const { return root() / "data" / "baryton" / "presets"; }

    /// A new window on the folder, shown, with the key picture rendered.
    void start();
    void stop() { window_.reset(); }
    MainWindow& window() { return *window_; }
    AppState& state() { return window_->state(); }

    /// Waits until the condition holds; false after `seconds`.
    static bool waitFor(const std::function<bool()>& condition, double seconds = 20);
    /// Waits until nothing changes any more: the viewer shows the state's grade, thumbnails are drawn.
    void settle();

    /// Runs a menu's entry by its text, as it stands in the menu ("File", "Save preset…").
    void menu(const QString& menu, const QString& entry);
    /// The menu's Undo and Redo, whatever they say they will do; false when there is nothing.
    bool undo() { return editEntry(0); }
    bool redo() { return editEntry(1); }
    void click(QWidget* widget, QPointF at = {-1, -1});
    /// Drops files on a widget as a file manager does; it has to take them.
    void drop(QWidget* widget, const std::vector<std::filesystem::path>& files);
    void drag(QWidget* widget, QPointF from, QPointF to, Qt::KeyboardModifiers modifiers = Qt::NoModifier);
    /// Presses, goes through all places, lets go.
    void draw(QWidget* widget, const QVector<QPointF>& through, Qt::KeyboardModifiers modifiers = Qt::NoModifier);
    /// Pulls a handle of a disc to an angle of the vectorscope and a share of the way to the rim.
    void pull(ColourDisc* disc, int handle, double degrees, double amount) {
        drag(disc, disc->handlePoint(handle), disc->discPoint(degrees, amount));
    }
    void type(QWidget* widget, const QString& text, bool enter = false);
    /// The button with this text below a widget; never null: fails loudly.
    QPushButton* button(QWidget* parent, const QString& text);
    /// The widget of a class with this accessible name.
    template <class T>
    T* named(QWidget* parent, const QString& name) {
        for (T* each : parent->findChildren<T*>())
            if (each->accessibleName() == name && each->isVisible()) return each;
        qFatal("no %s named %s is in sight", T::staticMetaObject.className(), qPrintable(name));
    }
    /// The sheet that is open.
    QDialog* sheet();
    QDialog* sheetIfAny();
    void chooseStage(const std::string& type);
    /// Adds a stage from the list behind the chain's +, found by typing.
    void addStage(const QString& name);
    void chooseRow(QAbstractItemView* view, int row);
    /// The row with this name; never negative: fails loudly.
    static int rowOf(const QAbstractItemView* view, const QString& name);
    /// The row of the n-th preset of the shelf, headings not counted; −1 where there are fewer.
    static int presetRow(const QListView* shelf, int n);
    static int presetsOn(const QListView* shelf);
    /// Chooses a look in Batch, found by its name.
    void chooseLook(const QString& name);
    /// Of the kind of file that is shown in Batch: 8, 16, or 32 for float.
    void chooseFormat(const QString& format, int bits = 8);
    /// A place of the key picture, in shares of it, in the viewer.
    QPointF onPicture(QPointF share);
    /// A key of the table of keys, pressed in the window.
    void key(const char* sequence);

    /// Whether a message or a line of the status bar says this.
    bool isTold(const char* words);

    /// How many clicks, drags, typed values and keys were used since the last `countFromHere`; an entry of a menu is
    /// two.
    void countFromHere() { actions_ = 0; }
    int actions() const { return actions_; }

private:
    QMenu* menuNamed(const QString& name);
    bool editEntry(int place);

    QTemporaryDir temporary_;
    std::unique_ptr<MainWindow> window_;
    int actions_ = 0;
};

} // namespace baryton
