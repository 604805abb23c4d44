#pragma once
#include "app/app_state.h"
#include "app/package/spaces_row.h"
#include "app/widgets/segments.h"
#include "app/widgets/sheet.h"
#include "app/widgets/still_text.h"
#include "batch/lut_set.h"

#include <QCheckBox>
#include <QLineEdit>
#include <QThreadPool>
#include <QTreeWidget>

namespace baryton {

/// Presets, a group of them or those chosen, as LUT files in one folder: what they will be called, and what became of
/// each.
class ExportLutsSheet : public Sheet {
    Q_OBJECT
public:
    /// Pictures are those the files are measured on.
    ExportLutsSheet(AppState& state, const std::vector<LibraryEntry>& entries, std::vector<SourceFile> pictures,
                    QWidget* parent = nullptr);
    ~ExportLutsSheet() override;

    QTreeWidget* list() const { return list_; }

protected:
    void done(int result) override; ///< what is being written ends first

private:
    LutSetWish wish() const;
    void review();
    void start();
    void take(std::size_t row, const LutSetEntry& entry);
    void finish(bool isWhole, const QString& failure);

    AppState& state_;
    std::vector<LutSetItem> items_;
    std::vector<SourceFile> pictures_;
    QLineEdit *folder_, *pattern_;
    Segments *formats_, *sizes_;
    SpacesRow* spaces_;
    QCheckBox* everywhere_;
    QTreeWidget* list_;
    StillText* summary_;
    QPushButton* write_;
    int written_ = 0, failed_ = 0, tooFar_ = 0; ///< too far: no usual grid is as near as is asked for
    std::shared_ptr<Task> task_;                ///< while files are written
    QThreadPool pool_;
};

} // namespace baryton
