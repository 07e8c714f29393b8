// SPDX-License-Identifier: GPL-3.0-or-later
// Watches the file that the project was opened from: who else has it open, whether somebody has written it.
#pragma once
#include <QObject>
#include <QTimer>
#include <memory>

#include "app/behind/behind.h"
#include "app/model/document.h"
#include "project/lock_note.h"

namespace yemvo::app {

class FileGuard : public QObject {
    Q_OBJECT
public:
    explicit FileGuard(Document&, QObject* parent = nullptr);
    /// Looks now instead of at the next tick.
    void look();
    static constexpr int every_ms = 3000;

signals:
    /// Once for each state of the file that is neither what was read nor what was written.
    void changed_on_disk(const yemvo::FileMark& now);
    void gone_from_disk();
    void opened_elsewhere(const yemvo::OpenedBy&);

private:
    void follow();
    void seen(const QString& file, const FileMark& now);
    Document& document_;
    QTimer timer_;
    std::unique_ptr<LockNote> note_;  ///< used behind the window alone
    QString file_;
    FileMark told_;
    bool told_gone_ = false;
    Behind behind_{
        {Behind::Takes::all}};  ///< a share may answer slowly; the last to come, since work uses the note
};

}  // namespace yemvo::app
