// SPDX-License-Identifier: GPL-3.0-or-later
// The properties of what is selected; of the floor when nothing is; of what a tool draws with while it draws.
#pragma once
#include <QScrollArea>
#include <functional>
#include <vector>

namespace yemvo::app {

class Form;
class Workspace;

/// Where a form comes from.
struct FormSource {
    std::function<bool()> applies;
    /// What the form is about: another subject has another form.
    std::function<QString()> subject;
    std::function<Form*()> make;
};

class DetailsPanel : public QWidget {
    Q_OBJECT
public:
    static constexpr int usual_width = 288;
    explicit DetailsPanel(Workspace&, QWidget* parent = nullptr);
    /// Asked before those that are there.
    void offer(FormSource);
    /// Scrolls to a field of the form in view and begins to edit it.
    void show_field(const char* object);
    /// What a source is about has changed without anything that the workspace knows of.
    void look_again() { refresh(); }

private:
    void offer_usual();
    void refresh();
    void show_form(Form*);
    Workspace& workspace_;
    QScrollArea* scroll_;
    std::vector<FormSource> sources_;  ///< the first that applies is shown
    Form* form_ = nullptr;
    QString shown_;  ///< source and subject of the form
};

}  // namespace yemvo::app
