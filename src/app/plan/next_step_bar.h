// SPDX-License-Identifier: GPL-3.0-or-later
// What to do next on a floor that still lacks something: one sentence with the one button for it.
#pragma once
#include <QFrame>

#include "app/model/workspace.h"

class QLabel;
class QPushButton;

namespace yemvo::app {

enum class NextStep { none, drawing, scale, access_point, closet, area };

/// What the floor in view lacks most.
NextStep next_step(const Workspace&);

class NextStepBar : public QFrame {
    Q_OBJECT
public:
    NextStepBar(Workspace&, QWidget* plan);
    /// In the middle of the plan's upper edge.
    void place();

signals:
    void asked(yemvo::app::NextStep);

private:
    void refresh();
    Workspace& workspace_;
    QLabel* words_;
    QPushButton* button_;
    NextStep step_ = NextStep::none;
};

}  // namespace yemvo::app
