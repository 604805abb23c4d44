#pragma once
#include "app/render_image.h"
#include "app/settings.h"

#include <QObject>
#include <QPointer>
#include <QThreadPool>
#include <QWidget>
#include <array>
#include <functional>

namespace baryton {

/// Keeps what is shown fitted to the monitors that the windows are on, each with its own profile, and to the device
/// that is proofed. Made ready behind the windows; the last wish counts.
class ScreenFit : public QObject {
    Q_OBJECT
public:
    explicit ScreenFit(QObject* parent = nullptr);
    ~ScreenFit() override;

    /// Fits to the monitor that a window is on, from the time it is first shown. The profile is asked for again when
    /// it comes to another one, and when the program comes to the front: the desktop may have set another meanwhile.
    void watch(Monitor monitor, QWidget* window);
    /// Nothing is shown on it any more.
    void leave(Monitor monitor);
    void setSettings(const Settings& settings);

    /// `told` gets what is wrong with the device's profile, empty when all is well, once it is seen.
    using Told = std::function<void(const QString& problem)>;
    void setProof(const std::optional<ProofWish>& wish, const Told& told);
    bool isProofing() const { return wish_.proof.has_value(); } ///< or about to

Q_SIGNALS:
    void changed(baryton::Monitor monitor); ///< all that is shown on it has to be drawn anew
    void problem(const QString& text);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void fetch(Monitor monitor);
    void fetchAll();
    void take(Monitor monitor, const std::string& icc, QString problem);
    void prepare();
    void show(const ScreenWish& made, const std::function<void()>& ready, const QString& problem);

    struct Watched {
        QPointer<QWidget> window;
        MonitorWish wish;
        QString told; ///< what is wrong with its profile, as it was told
    };
    std::array<Watched, kMonitors> monitors_;
    ScreenWish wish_;
    Told told_;     ///< of the last proof that was wished for, until it is seen
    int asked_ = 0; ///< wishes, counted
    QThreadPool pool_;
};

} // namespace baryton
