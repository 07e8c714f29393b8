// The open project with its history and its file.
#pragma once
#include <QObject>
#include <QString>
#include <QUndoStack>
#include <functional>

#include "project/project.h"

namespace yemvo::app {

/// The current value and the values before it. An edit is a function on a copy; undo is the value before.
class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);

    const Project& project() const { return project_; }
    bool is_open() const { return open_; }
    const QString& file() const { return file_; }
    bool is_modified() const { return open_ && !stack_.isClean(); }
    QUndoStack& history() { return stack_; }

    /// Starts afresh with a project; `file` empty for one never saved.
    void open(Project, const QString& file);
    /// The same with work that was never saved to that file.
    void open_unsaved(Project, const QString& file);
    /// Remembers the change under its name. Edits with the same `merge_key` (not 0) in a row become one.
    void edit(const QString& label, const std::function<void(Project&)>& change, int merge_key = 0);
    /// A key that no edit used yet: one a drag.
    int new_merge_key() { return ++last_merge_key_; }
    /// The value before the edit that would be undone next; null where there is none.
    const Project* before_last_edit() const;
    /// Throws Error.
    void save(const QString& file);

signals:
    void changed();        ///< the project's value
    void opened();         ///< another project altogether
    void state_changed();  ///< file name or whether there are unsaved edits

private:
    friend class EditCommand;
    void set(const Project&);
    Project project_;
    bool open_ = false;
    QString file_;
    QUndoStack stack_;
    int last_merge_key_ = 0;
};

}  // namespace yemvo::app
