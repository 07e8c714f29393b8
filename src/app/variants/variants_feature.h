// SPDX-License-Identifier: GPL-3.0-or-later
// Variants of the plan: made, named, switched, held against each other.
#pragma once
#include "app/offer/feature.h"
#include "render/map_choice.h"

namespace yemvo::app {

class VariantsFeature : public Feature {
    Q_OBJECT
public:
    explicit VariantsFeature(Shell&);

private:
    void make();
    void rename();
    void remove();
    void show_next();
    void compare_with_next();
    /// On, or off when it is shown already.
    void show_change(render::Against, VariantId other = {});
    void fill(QMenu*);
};

}  // namespace yemvo::app
