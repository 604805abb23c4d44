#pragma once
#include "app/app_state.h"
#include "app/carry_tree.h"
#include "app/package/lut_health_view.h"
#include "app/package/lut_panel.h"
#include "app/widgets/value_row.h"

#include <QKeySequenceEdit>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QStackedWidget>
#include <QWidget>

namespace baryton {

/// The chosen preset: its name, notes and key, what it carries (values are changed and entries dropped right there,
/// without a picture), how it is applied, and the same as a LUT.
class PresetDetails : public QWidget {
    Q_OBJECT
public:
    explicit PresetDetails(AppState& state, QWidget* parent = nullptr);

    /// An empty path for nothing. `checks` are the pictures that a LUT's fidelity is measured on.
    void setFile(const std::filesystem::path& file, const std::vector<SourceFile>& checks);
    const std::filesystem::path& file() const { return file_; }
    void refresh();
    ApplyMode mode() const;
    double strength() const;
    void apply();
    void rename();
    void remove();
    void saveOver();
    void duplicate();

Q_SIGNALS:
    void renamed(const std::filesystem::path& file);
    void howChanged(); ///< mode or strength

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* makeHead();
    QWidget* makeUse();
    const LibraryEntry* entry() const;
    /// The LUT stage of an entry that is nothing else.
    const Stage* onlyLut() const;
    void turnIntoStages();
    /// A preset of its own that reads a LUT file's table so; the file stays.
    void keepReadAs(const std::string& space);
    void takeName();
    void takeWords();
    void takeKey();
    void takeValue(const CarryPath& path, const QString& typed);
    void dropEntries();
    /// Writes a changed preset as one step of undo.
    void change(const Preset& preset, const QString& what);

    AppState& state_;
    std::filesystem::path file_;
    std::vector<SourceFile> checks_;
    QLineEdit *name_, *author_;
    QPlainTextEdit* notes_;
    QKeySequenceEdit* key_;
    QLabel *extension_, *error_, *account_;
    QPushButton *favourite_, *apply_, *over_, *asStages_;
    QWidget *words_, *usable_;
    QLabel* head_; ///< of what stands below it: the tree, or of a LUT file what it does
    QStackedWidget* what_;
    CarryTree* carries_;
    LutHealthView* health_;
    Segments* mode_;
    ValueRow* strength_;
    LutPanel* lut_;
    std::optional<Grade> shown_; ///< what the tree shows
    bool filling_ = false;
};

} // namespace baryton
