// SPDX-License-Identifier: GPL-3.0-or-later
// The page on which a drawing is made ready before it lies under a floor: page or layers, level, crop, look,
// scale where the file or its print tells it.
#pragma once
#include <QWidget>
#include <optional>
#include <vector>

#include "app/behind/behind.h"
#include "app/drawings/opened_file.h"
#include "app/model/workspace.h"

class QLabel;
class QListWidget;
class QListWidgetItem;
class QPushButton;
class QToolButton;
class QVBoxLayout;

namespace yemvo::app {

class Form;
class SheetCanvas;

/// What the page is asked to prepare, and what becomes of it.
struct PrepareTask {
    enum class Kind { lay, revise, again } kind = Kind::lay;
    FloorId floor;
    DrawingId drawing;  ///< that is revised or prepared again
};

/// A floor's drawing as it comes off the page; its asset is not in the project yet for `lay` and `revise`.
struct Prepared {
    PrepareTask task;
    OpenedFile file;
    Drawing drawing;
};

class PreparePage : public QWidget {
    Q_OBJECT
public:
    explicit PreparePage(Workspace&, QWidget* parent = nullptr);

    /// Shows that a file is being opened.
    void wait_for(const QString& name);
    void begin(const PrepareTask&, OpenedFile);
    /// Lets go of the file; what is still being read is stopped.
    void close_file();
    SheetCanvas& canvas() { return *canvas_; }
    bool is_working() const { return reading_ || !thumbnails_wanted_.empty(); }

signals:
    void prepared(const yemvo::app::Prepared&);
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;

private:
    void lay_out();
    void rebuild();
    void name_button();
    void fill_pages();
    void fill_layers();
    void next_thumbnail();
    void choose_page(int);
    void refresh();
    void show_size();
    void accept();
    void set_turn(double deg);
    render::LaidSheet laid_now() const;
    std::vector<const Drawing*> alike() const;
    double metres_per_unit() const;
    Drawing result() const;
    void add_look(Form&);
    void add_scale(Form&);

    Workspace& workspace_;
    PrepareTask task_;
    OpenedFile file_;
    Drawing drawing_;  ///< look and crop as chosen so far; its placement only turns
    static constexpr int unit_of_file = 5;
    int unit_ = 0;      ///< of a CAD drawing: index of CadUnit; 5: as the file says
    double ratio_ = 0;  ///< of a print; 0: not known
    int like_ = 0;      ///< 0: none, else 1 + index into alike()
    bool reading_ = false;
    /// A page that cannot be stopped half-way does not hold up the next.
    Behind page_reader_{{Behind::Takes::newest, {}, {}, 2}};
    Behind thumbnails_;
    std::vector<int> thumbnails_wanted_;

    QLabel *title_, *facts_, *size_;
    QListWidget *pages_, *layers_;
    QWidget* left_column_;
    QLabel* left_head_;
    SheetCanvas* canvas_;
    QVBoxLayout* right_;
    Form* form_ = nullptr;
    QToolButton *crop_button_, *level_button_;
    QPushButton* accept_;
};

/// Where a prepared drawing lies at first: its shown part's lower left corner at (0, 0) of the floor.
Similarity first_placement(const Drawing&, double metres_per_unit, double turn_deg);

}  // namespace yemvo::app
