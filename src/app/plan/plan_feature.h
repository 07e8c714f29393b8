// SPDX-License-Identifier: GPL-3.0-or-later
// The plan with its tools, and its picture as a file.
#pragma once
#include "app/behind/behind.h"
#include "app/offer/feature.h"

namespace yemvo::app {

class PlanView;
enum class NextStep;

class PlanFeature : public Feature {
    Q_OBJECT
public:
    explicit PlanFeature(Shell&);
    PlanView& view() { return *view_; }
    /// Painted and written behind the window.
    void export_picture(const QString& file);
    bool is_exporting() const { return exporting_ > 0; }

private:
    void make_commands();
    void ask_for_picture();
    void refresh_scale();
    void take_next_step(NextStep);
    PlanView* view_;
    int exporting_ = 0;
    Behind writer_{{Behind::Takes::all}};
};

}  // namespace yemvo::app
