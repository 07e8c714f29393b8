// SPDX-License-Identifier: GPL-3.0-or-later
// The open project with its history and its file.
#pragma once
#include <QObject>
#include <QString>
#include <QUndoStack>
#include <functional>

#include "project/project.h"
#include "project/safe_file.h"

namespace yemvo::app {

/// The current value and the values before it. An edit is a function on a copy; undo is the value before.
class Document : public QObject {
    Q_OBJECT
public:
    explicit Document(QObject* parent = nullptr);

    const Project& project() const { return project_; }
    bool is_open() const { return open_; }
    const QString& file() const { return file_; }
    /// There are edits that no file holds yet.
    bool is_modified() const { return open_ && (!stack_.isClean() || saving_ > 0); }
    bool is_saving() const { return saving_ > 0; }
    /// How many projects were opened so far: tells whether what was begun for one is still wanted.
    int opened_count() const { return opened_count_; }
    /// To look at, to undo and redo; edits go through edit() alone.
    QUndoStack& history() { return stack_; }
    /// The file as it was when it was last read or written; for telling whether somebody else has changed it.
    const FileMark& file_mark() const { return mark_; }

    /// Starts afresh with a project; `file` empty for one never saved.
    void open(Project, const QString& file, const FileMark& = {});
    /// The same with work that was never saved to that file.
    void open_unsaved(Project, const QString& file, const FileMark& = {});
    /// What stands in the file now is what the person has decided upon: it may be written over.
    void take_mark(const FileMark& mark) { mark_ = mark; }
    /// Remembers the change under its name. Edits with the same `merge_key` (not 0) in a row become one. A
    /// change that breaks a limit of the project (project/rules.h) is not made; then the reason is given
    /// back.
    QString edit(const QString& label, const std::function<void(Project&)>& change, int merge_key = 0);
    /// A key that no edit used yet: one a drag.
    int new_merge_key() { return ++last_merge_key_; }
    /// Undoes or redoes up to a place in the history, 0 being how the project was opened; told once.
    void go_to(int index);
    /// The value before the edit that would be undone next; null where there is none.
    const Project* before_last_edit() const;
    /// A value that is to be written.
    struct Saving {
        Project project;
        int of;  ///< opened_count() when it began
    };
    /// The value as it is now. The document stays modified until the saving has ended.
    Saving begin_saving();
    /// `file` empty: it could not be written.
    void end_saving(int of, const QString& file, const FileMark& = {});

signals:
    void changed();        ///< the project's value
    void opened();         ///< another project altogether
    void state_changed();  ///< file name or whether there are unsaved edits

private:
    friend class EditCommand;
    void set(const Project&);
    Project project_;
    bool open_ = false, going_ = false;
    QString file_;
    FileMark mark_;
    QUndoStack stack_;
    int last_merge_key_ = 0, opened_count_ = 0, saving_ = 0;
};

}  // namespace yemvo::app
