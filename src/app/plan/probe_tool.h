// SPDX-License-Identifier: GPL-3.0-or-later
// Pins probes, and moves them.
#pragma once
#include <vector>

#include "app/plan/tool.h"
#include "render/tr.h"

namespace yemvo::app {

class ProbeTool : public Tool {
public:
    using Tool::Tool;
    QString name() const override { return tr("Probe"); }
    std::vector<HintPart> hint() const override {
        return {{"", tr("click pins one, drag moves it")},
                {tr("Del"), tr("remove it")},
                {tr("Esc"), tr("exit tool")}};
    }
    void press(const PointerEvent&) override;
    void move(const PointerEvent&) override;
    void release(const PointerEvent&) override;
    bool key(QKeyEvent&) override;

private:
    int held_ = 0;       ///< number of the probe that is dragged
    int merge_key_ = 0;  ///< one undo step a drag
};

}  // namespace yemvo::app
