// SPDX-License-Identifier: GPL-3.0-or-later
// Reads and writes project files behind the window.
#pragma once
#include <QObject>
#include <functional>
#include <memory>
#include <optional>

#include "app/behind/behind.h"
#include "app/model/document.h"

namespace yemvo {
struct Loaded;
}

namespace yemvo::app {

class ProjectFiles : public QObject {
    Q_OBJECT
public:
    explicit ProjectFiles(Document&, QObject* parent = nullptr);
    /// Where earlier versions are kept.
    static QString versions_folder();
    using Failed = std::function<void(const QString& why)>;
    /// `how` runs behind the window and may throw; `done` and `failed` on the window's thread. What is still
    /// being read is given up for it. `what` is said while it lasts.
    void read(const QString& what, std::function<Loaded()> how, std::function<void(Loaded)> done,
              Failed failed);
    void stop_reading();
    struct Writing {
        QString file;
        /// What the file must look like still; none: whatever is there may be replaced.
        std::optional<FileMark> expected = {};
        std::function<void(const QStringList& warnings)> done;
        Failed failed;
        std::function<void()> changed = {};  ///< it does not look so: nothing was written
    };
    /// The document as it is now. It counts as modified until the file is there.
    void write(Writing);
    /// `go` runs after all that is being written.
    void after_writing(std::function<void()> go);
    bool is_reading() const { return reading_; }
    bool is_writing() const { return writing_ > 0; }
    /// What is going on, for the status line; empty when nothing is.
    QString doing() const;

signals:
    void doing_changed();

private:
    Document& document_;
    bool reading_ = false;
    int writing_ = 0;
    QString what_, written_;
    /// A share may answer slowly: a file that was given up does not hold up the next.
    Behind reader_{{Behind::Takes::newest, {}, {}, 8}};
    Behind writer_{{Behind::Takes::all}};  ///< files follow each other; this waits for the last when it goes
};

}  // namespace yemvo::app
