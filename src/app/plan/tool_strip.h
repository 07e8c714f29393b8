// SPDX-License-Identifier: GPL-3.0-or-later
// The tools of the step, as a column of icons.
#pragma once
#include <QWidget>
#include <vector>

#include "app/model/tool_id.h"
#include "app/model/workspace.h"

class QToolButton;

namespace yemvo::app {

class ToolStrip : public QWidget {
    Q_OBJECT
public:
    explicit ToolStrip(Workspace&, QWidget* parent = nullptr);

private:
    void refresh();
    void paintEvent(QPaintEvent*) override;
    void changeEvent(QEvent*) override;
    Workspace& workspace_;
    std::vector<std::pair<ToolId, QToolButton*>> buttons_;
};

}  // namespace yemvo::app
