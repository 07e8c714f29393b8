// SPDX-License-Identifier: GPL-3.0-or-later
// What the person is doing: a step of the work, and a tool.
#pragma once
#include <QObject>

#include "app/model/tool_id.h"

namespace yemvo::app {

class InView;

enum class Step { venue, demand, placement, spectrum, proof };

class Activity : public QObject {
    Q_OBJECT
public:
    explicit Activity(InView&);
    Step step() const { return step_; }
    ToolId tool() const { return tool_; }
    bool shows_map() const { return step_ != Step::venue && step_ != Step::demand; }
    void set_step(Step);
    void set_tool(ToolId);

signals:
    void step_changed();
    void tool_changed();

private:
    InView& in_view_;
    Step step_ = Step::venue;
    ToolId tool_ = ToolId::select;
};

}  // namespace yemvo::app
