// The tools of the step, as a column of icons.
#pragma once
#include <QWidget>

#include "app/shell/workspace.h"

class QToolButton;

namespace yemvo::app {

struct ToolInfo {
    ToolId id;
    const char* name;
    const char* icon;
    const char* key;
    const char* what;
};
const std::vector<ToolInfo>& all_tools();
/// The tool whose button stands for it: all that draw walls share one.
ToolId button_of(ToolId);
/// The tools a step offers.
std::vector<ToolId> tools_of(Step);

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
