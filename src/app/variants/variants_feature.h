// SPDX-License-Identifier: GPL-3.0-or-later
// Variants of the plan: made, named, switched, held against each other.
#pragma once
#include "app/offer/feature.h"
#include "render/map_choice.h"

namespace yemvo::app {

class VariantsPage;

class VariantsFeature : public Feature {
    Q_OBJECT
public:
    explicit VariantsFeature(Shell&);
    VariantsPage& page() { return *page_; }

private:
    void make();
    void rename();
    void remove();
    void show_next();
    void compare_with_next();
    void show_side_by_side();
    /// On, or off when it is shown already.
    void show_change(render::Against, VariantId other = {});
    void fill(QMenu*);
    VariantsPage* page_;
};

}  // namespace yemvo::app
