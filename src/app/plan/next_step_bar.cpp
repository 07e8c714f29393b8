#include "app/plan/next_step_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/shell/theme.h"

namespace yemvo::app {

NextStep next_step(const Workspace& workspace) {
    const Floor* f = workspace.floor();
    if (!f || workspace.step() == Step::proof) return NextStep::none;  // the page beside the plan tells it
    if (f->drawings->empty() && f->walls->empty()) {
        const bool drawing_now = workspace.tool() == ToolId::wall || workspace.tool() == ToolId::zone;
        return f->zones->empty() && !drawing_now ? NextStep::drawing : NextStep::none;
    }
    if (needs_scale(*f)) return workspace.tool() == ToolId::scale ? NextStep::none : NextStep::scale;
    const bool placing = workspace.tool() == ToolId::access_point;
    if (workspace.map_shown() && !placing && placed_access_points(workspace.project()).empty())
        return NextStep::access_point;
    if (workspace.map_shown() && workspace.verdict() && workspace.verdict()->demanded_m2() == 0 &&
        !requirements_in_force(workspace.project()).empty())
        return NextStep::area;
    return NextStep::none;
}

NextStepBar::NextStepBar(Workspace& workspace, QWidget* plan)
    : QFrame(plan), workspace_(workspace), words_(new QLabel(this)), button_(new QPushButton(this)) {
    setObjectName("nextStep");
    dress(this,
          "QFrame#nextStep { background: @accentTint; border: 1px solid @accent; border-radius: 5px; }");
    button_->setObjectName("nextStepButton");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 5, 6, 5);
    row->addWidget(words_);
    row->addWidget(button_);
    connect(button_, &QPushButton::clicked, this, [this] { emit asked(step_); });
    for (auto signal : {&Workspace::project_changed, &Workspace::floor_changed, &Workspace::step_changed,
                        &Workspace::tool_changed, &Workspace::prediction_changed})
        connect(&workspace, signal, this, &NextStepBar::refresh);
    refresh();
}

void NextStepBar::place() {
    adjustSize();
    move((parentWidget()->width() - width()) / 2, 12);
}

void NextStepBar::refresh() {
    step_ = next_step(workspace_);
    switch (step_) {
        case NextStep::drawing:
            words_->setText("Drop a plan here (picture, PDF, SVG, DXF), or draw walls on the grid.");
            button_->setText("Choose a drawing…");
            break;
        case NextStep::scale:
            words_->setText("The drawing has no scale yet: show a length on it that you know.");
            button_->setText("Set the scale");
            break;
        case NextStep::access_point:
            words_->setText("No map yet: nothing radiates.");
            button_->setText("Place an access point");
            break;
        case NextStep::area:
            words_->setText("No verdict: nothing says where service is needed. Walls that close round a room do, or a zone.");
            button_->setText("Draw walls");
            break;
        case NextStep::none:
            break;
    }
    setVisible(step_ != NextStep::none);
    if (isVisible()) place();
}

}  // namespace yemvo::app
