// SPDX-License-Identifier: GPL-3.0-or-later
// The tools of the step, as a column of icons, those for the same beside each other; on demand with their
// names.
#pragma once
#include <QWidget>
#include <vector>

#include "app/model/tool_id.h"
#include "app/model/tool_info.h"
#include "app/model/workspace.h"

class QToolButton;

namespace yemvo::app {

class ToolStrip : public QWidget {
    Q_OBJECT
public:
    explicit ToolStrip(Workspace&, QWidget* parent = nullptr);
    bool is_named() const { return named_; }
    /// Remembered for the next start.
    void set_named(bool);

signals:
    /// By the button at the foot.
    void names_asked();

private:
    struct Button {
        ToolId id;
        ToolGroup group;
        QToolButton* widget;
    };
    void refresh();
    void dress_buttons();
    void lay_out();
    void resizeEvent(QResizeEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void changeEvent(QEvent*) override;
    Workspace& workspace_;
    std::vector<Button> buttons_;
    QToolButton* names_;
    std::vector<int> rules_;  ///< where lines between groups lie
    bool named_ = false;
};

}  // namespace yemvo::app
