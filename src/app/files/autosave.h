// SPDX-License-Identifier: GPL-3.0-or-later
// Writes the journal behind the window: at most a few seconds after an edit.
#pragma once
#include <QObject>
#include <QStringList>
#include <QTimer>
#include <memory>

#include "app/behind/behind.h"
#include "app/model/document.h"
#include "project/journal.h"

namespace yemvo::app {

class Autosave : public QObject {
    Q_OBJECT
public:
    /// `roots`: where journals may lie, in order: where the first cannot be written the next is tried.
    explicit Autosave(Document&, QObject* parent = nullptr, const QStringList& roots = folders());
    ~Autosave() override;
    /// The desktop's place for a program's state; then places that do not outlive the machine's next start.
    static QStringList folders();
    /// What was left behind is written into this program's own journal before it is removed.
    void take_over(const Leftover&);
    static constexpr int delay_ms = 3000;

signals:
    /// Once, until it works again. `elsewhere`: the work is kept there instead; empty: nowhere.
    void failed(const QString& why, const QString& elsewhere);
    void works_again();

private:
    void edited();
    void write();
    void forget();
    void write_somewhere(const Project&, const std::string& file, const AtWork&);
    std::function<void(const QString&)> told_faulty();
    Document& document_;
    QStringList roots_;
    QTimer timer_;
    std::shared_ptr<Journal> journal_;
    int place_ = -1;  ///< which root the journal lies in; -1: none yet
    QString told_;    ///< of which trouble
    Behind behind_{
        {Behind::Takes::all}};  ///< writings follow each other; the last to come, since work uses the rest
};

}  // namespace yemvo::app
