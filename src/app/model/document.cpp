// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/document.h"

#include <algorithm>

#include "project/rules.h"
#include "render/tr.h"

namespace yemvo::app {

class EditCommand : public QUndoCommand {
public:
    EditCommand(Document& document, const QString& label, Project before, Project after, int key)
        : QUndoCommand(label),
          document_(document),
          before_(std::move(before)),
          after_(std::move(after)),
          key_(key) {}
    void undo() override { document_.set(before_); }
    void redo() override { document_.set(after_); }
    const Project& before() const { return before_; }
    int id() const override { return key_ == 0 ? -1 : 1; }
    bool mergeWith(const QUndoCommand* next) override {
        const auto* edit = static_cast<const EditCommand*>(next);
        if (edit->key_ != key_) return false;
        after_ = edit->after_;
        return true;
    }

private:
    Document& document_;
    Project before_, after_;
    int key_;
};

Document::Document(QObject* parent) : QObject(parent) {
    connect(&stack_, &QUndoStack::cleanChanged, this, &Document::state_changed);
}

void Document::set(const Project& project) {
    project_ = project;
    if (!going_) emit changed();
}

void Document::go_to(int index) {
    index = std::clamp(index, 0, stack_.count());
    if (index == stack_.index()) return;
    going_ = true;
    stack_.setIndex(index);
    going_ = false;
    emit changed();
}

void Document::open(Project project, const QString& file, const FileMark& mark) {
    project_ = std::move(project);
    open_ = true;
    file_ = file;
    mark_ = mark;
    ++opened_count_;
    saving_ = 0;
    stack_.clear();
    emit opened();
    emit changed();
    emit state_changed();
}

void Document::open_unsaved(Project project, const QString& file, const FileMark& mark) {
    open(std::move(project), file, mark);
    stack_.resetClean();
    emit state_changed();
}

QString Document::edit(const QString& label, const std::function<void(Project&)>& change, int merge_key) {
    Project after = project_;
    change(after);
    if (after == project_) return {};
    try {
        check_edit(project_, after);
    } catch (const Error& refused) {
        return fault_text(refused);
    }
    stack_.push(new EditCommand(*this, label, project_, std::move(after), merge_key));
    return {};
}

const Project* Document::before_last_edit() const {
    if (stack_.index() == 0) return nullptr;
    const auto* last = dynamic_cast<const EditCommand*>(stack_.command(stack_.index() - 1));
    return last ? &last->before() : nullptr;
}

Document::Saving Document::begin_saving() {
    ++saving_;
    stack_.setClean();
    return {project_, opened_count_};
}

void Document::end_saving(int of, const QString& file, const FileMark& mark) {
    if (of != opened_count_) return;
    --saving_;
    if (file.isEmpty()) {
        stack_.resetClean();
    } else {
        file_ = file;
        mark_ = mark;
    }
    emit state_changed();
}

}  // namespace yemvo::app
