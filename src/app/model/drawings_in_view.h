// SPDX-License-Identifier: GPL-3.0-or-later
// The drawings under the floor in view: which one is worked on, how it is scaled, what it is held against.
#pragma once
#include <QObject>
#include <memory>

#include "base/id.h"

namespace yemvo {
struct Drawing;
}

namespace yemvo::app {

class Workspace;
struct DrawingLines;

/// How a drawing is held against the revision before it.
struct Comparison {
    enum class Show { newer, older, blink, difference } show = Show::newer;
    DrawingId drawing;
    friend bool operator==(const Comparison&, const Comparison&) = default;
};

/// How the scale tool gives a drawing its scale.
enum class ScaleMode { length, area, check };

class DrawingsInView : public QObject {
    Q_OBJECT
public:
    explicit DrawingsInView(Workspace&);
    /// The drawing that Details and the scale tool are about: the chosen one, else the first without a scale,
    /// else the topmost. Null for a floor without drawings.
    const Drawing* drawing() const;
    void choose(DrawingId);
    const Comparison& comparison() const { return comparison_; }
    void compare(const Comparison&);
    /// A floor shown through the one in view while both are aligned; 0 for none.
    FloorId ghost() const { return ghost_; }
    void show_ghost(FloorId);
    /// The lines of the CAD drawings, in the floor's metres; null while there are none.
    const std::shared_ptr<const DrawingLines>& lines() const { return lines_; }
    void set_lines(std::shared_ptr<const DrawingLines> lines) { lines_ = std::move(lines); }
    ScaleMode scale_mode() const { return scale_mode_; }
    void set_scale_mode(ScaleMode mode) { scale_mode_ = mode; }
    /// What is drawn on the floor is enlarged with its drawing.
    bool scales_floor() const { return scales_floor_; }
    void set_scales_floor(bool on) { scales_floor_ = on; }

    /// For the workspace: another project.
    void start();

signals:
    void changed();  ///< another is chosen, compared, or shown as a ghost

private:
    Workspace& workspace_;
    DrawingId chosen_;
    Comparison comparison_;
    FloorId ghost_;
    std::shared_ptr<const DrawingLines> lines_;
    ScaleMode scale_mode_ = ScaleMode::length;
    bool scales_floor_ = false;
};

}  // namespace yemvo::app
