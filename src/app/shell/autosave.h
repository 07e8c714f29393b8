// Writes the journal behind the window: at most a few seconds after an edit.
#pragma once
#include <QObject>
#include <QTimer>
#include <memory>

#include "app/shell/document.h"
#include "project/journal.h"

class QThreadPool;

namespace yemvo::app {

class Autosave : public QObject {
    Q_OBJECT
public:
    /// `root`: where journals lie; by default the desktop's place for a program's state.
    explicit Autosave(Document&, QObject* parent = nullptr, const QString& root = folder());
    ~Autosave() override;
    static QString folder();
    /// What was left behind is written into this program's own journal before it is thrown away.
    void take_over(const Leftover&);
    static constexpr int delay_ms = 3000;

signals:
    void failed(const QString& why);

private:
    void edited();
    void write();
    void forget();
    Document& document_;
    QString root_;
    QTimer timer_;
    std::unique_ptr<QThreadPool> worker_;  ///< one thread: writings follow each other
    std::shared_ptr<Journal> journal_;
    bool told_ = false;
};

}  // namespace yemvo::app
