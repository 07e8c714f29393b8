// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/prepare_page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollArea>
#include <QSignalBlocker>
#include <QSlider>
#include <QThreadPool>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/drawings/sheet_canvas.h"
#include "app/forms/form.h"
#include "app/look/theme.h"
#include "base/number_text.h"
#include "exchange/cad_drawing.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int left_width = 208, right_width = 288;
constexpr double unknown_width_m = 50;  // as if, until a scale is given

QFrame* rule(QWidget* parent, bool upright) {
    auto* line = new QFrame(parent);
    if (upright)
        line->setFixedWidth(1);
    else
        line->setFixedHeight(1);
    dress(line, "background: @line;");
    return line;
}

QString kind_words(const OpenedFile& f) {
    const Box& s = f.source.sheet;
    switch (f.source.kind) {
        case DrawingKind::picture:
            return tr("Picture, %1 × %2 pixels").arg(s.width(), 0, 'f', 0).arg(s.height(), 0, 'f', 0);
        case DrawingKind::pdf:
            return tr("PDF, %1 × %2 mm")
                .arg(s.width() * 25.4 / 72, 0, 'f', 0)
                .arg(s.height() * 25.4 / 72, 0, 'f', 0);
        case DrawingKind::svg:
            return tr("SVG, %1 × %2 units").arg(s.width(), 0, 'f', 0).arg(s.height(), 0, 'f', 0);
        case DrawingKind::dxf:
            break;
    }
    return counted("CAD drawing, %n piece", "CAD drawing, %n pieces", f.sheet->cad()->pieces());
}

}  // namespace

Similarity first_placement(const Drawing& drawing, double metres_per_unit, double turn_deg) {
    Drawing d = drawing;
    d.placement = {metres_per_unit, turn_deg, {}};
    d.placement.shift = extent(d).low * -1.0;
    return d.placement;
}

PreparePage::PreparePage(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
    setObjectName("preparePage");
    lay_out();
}

void PreparePage::lay_out() {
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(14, 8, 12, 8);
    head->setSpacing(8);
    title_ = new QLabel(this);
    title_->setObjectName("title");
    head->addWidget(title_);
    facts_ = new QLabel(this);
    facts_->setObjectName("muted");
    head->addWidget(facts_);
    head->addStretch(1);
    const auto segment = [&](const char* object, const QString& text, const QString& tip) {
        auto* b = new QToolButton(this);
        b->setObjectName("segment");
        b->setProperty("tests", object);
        b->setText(text);
        b->setToolTip(tip);
        b->setCheckable(true);
        head->addWidget(b);
        return b;
    };
    head->setSpacing(0);
    crop_button_ = segment("crop", tr("Crop"), tr("Drag a frame round what is wanted (C)"));
    level_button_ =
        segment("level", tr("Level"), tr("Click two places of a line that ought to be level or upright (V)"));
    head->addSpacing(12);
    auto* cancel = new QPushButton(tr("Cancel"), this);
    cancel->setObjectName("prepareCancel");
    head->addWidget(cancel);
    head->addSpacing(6);
    accept_ = new QPushButton(this);
    accept_->setObjectName("main");
    accept_->setProperty("tests", "prepareAccept");
    head->addWidget(accept_);
    all->addLayout(head);
    all->addWidget(rule(this, false));

    auto* row = new QHBoxLayout;
    row->setSpacing(0);
    left_column_ = new QWidget(this);
    left_column_->setFixedWidth(left_width);
    auto* left_rows = new QVBoxLayout(left_column_);
    left_rows->setContentsMargins(12, 8, 4, 8);
    left_head_ = new QLabel(left_column_);
    left_head_->setObjectName("head");
    left_rows->addWidget(left_head_);
    pages_ = new QListWidget(left_column_);
    pages_->setObjectName("preparePages");
    pages_->setIconSize({150, 150});
    pages_->setFrameShape(QFrame::NoFrame);
    layers_ = new QListWidget(left_column_);
    layers_->setObjectName("prepareLayers");
    layers_->setFrameShape(QFrame::NoFrame);
    layers_->setFocusPolicy(Qt::StrongFocus);
    for (QListWidget* list : {pages_, layers_}) {
        dress(list,
              "QListWidget { background: transparent; font-size: 12.5px; outline: 0; }"
              "QListWidget::item { padding: 3px 0; }"
              "QListWidget::item:selected { background: @accentTint; color: @ink; }"
              "QListWidget::indicator { width: 13px; height: 13px; border: 1px solid @muted;"
              " border-radius: 3px; background: @field; }"
              "QListWidget::indicator:checked { background: @accent; border-color: @accent;"
              " image: url(:/icons/tick.svg); }");
        list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        left_rows->addWidget(list, 1);
    }
    row->addWidget(left_column_);
    row->addWidget(rule(this, true));
    canvas_ = new SheetCanvas(this);
    row->addWidget(canvas_, 1);
    row->addWidget(rule(this, true));
    auto* scroll = new QScrollArea(this);
    scroll->setFixedWidth(right_width);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* right = new QWidget(scroll);
    right_ = new QVBoxLayout(right);
    right_->setContentsMargins(0, 0, 0, 0);
    size_ = new QLabel(right);
    size_->setObjectName("preparedSize");
    size_->setWordWrap(true);
    size_->setContentsMargins(12, 10, 12, 0);
    right_->addWidget(size_);
    right_->addStretch(1);
    scroll->setWidget(right);
    row->addWidget(scroll);
    all->addLayout(row, 1);

    connect(cancel, &QPushButton::clicked, this, &PreparePage::left);
    connect(accept_, &QPushButton::clicked, this, &PreparePage::accept);
    const auto choose_mode = [this](SheetCanvas::Mode mode) {
        canvas_->set_mode(mode);
        crop_button_->setChecked(mode == SheetCanvas::Mode::crop);
        level_button_->setChecked(mode == SheetCanvas::Mode::level);
        canvas_->setFocus();
    };
    connect(crop_button_, &QToolButton::clicked, this, [=] { choose_mode(SheetCanvas::Mode::crop); });
    connect(level_button_, &QToolButton::clicked, this, [=] { choose_mode(SheetCanvas::Mode::level); });
    choose_mode(SheetCanvas::Mode::crop);
    connect(canvas_, &SheetCanvas::level_asked, this, [this, choose_mode](double turn) {
        set_turn(drawing_.placement.turn_deg + turn);
        choose_mode(SheetCanvas::Mode::crop);
    });
    connect(canvas_, &SheetCanvas::crop_changed, this, &PreparePage::show_size);
    connect(pages_, &QListWidget::currentRowChanged, this, [this](int at) {
        if (at >= 0 && at != file_.source.page) choose_page(at);
    });
    connect(layers_, &QListWidget::itemChanged, this, [this] {
        file_.source.hidden_layers.clear();
        for (int i = 0; i < layers_->count(); ++i)
            if (layers_->item(i)->checkState() == Qt::Unchecked)
                file_.source.hidden_layers.push_back(
                    layers_->item(i)->data(Qt::UserRole).toString().toStdString());
        refresh();
    });
}

void PreparePage::wait_for(const QString& name) {
    close_file();
    reading_ = true;
    title_->setText(tr("Prepare drawing"));
    facts_->setText(tr("Reading %1…").arg(name));
    accept_->setEnabled(false);
    left_column_->hide();
    size_->clear();
    if (form_) form_->hide();
}

void PreparePage::close_file() {
    page_reader_.stop();
    thumbnails_.stop();
    reading_ = false;
    thumbnails_wanted_.clear();
    file_ = {};
    pages_->setProperty("file", QString());
    canvas_->set_sheet({});
}

void PreparePage::begin(const PrepareTask& task, OpenedFile file) {
    reading_ = false;
    task_ = task;
    file_ = std::move(file);
    drawing_ = {};
    unit_ = like_ = 0;
    ratio_ = 0;
    const Floor* floor = find_floor(workspace_.project(), task.floor);
    const Drawing* present = floor ? find_drawing(*floor, task.drawing) : nullptr;
    if (present) drawing_ = *present;
    drawing_.placement = {1, present ? present->placement.turn_deg : 0, {}};
    if (task.kind == PrepareTask::Kind::again && present) file_.source = present->source;
    if (task.kind == PrepareTask::Kind::revise && present)
        drawing_.crop = revised(*present, file_.source, {}).crop;
    if (task.kind == PrepareTask::Kind::lay && file_.source.kind == DrawingKind::dxf) drawing_.opacity = 0.9;
    if (const CadDrawing* cad = file_.sheet->cad()) {
        unit_ = static_cast<int>(likely_unit(*cad));
        if (cad->unit_m) {
            unit_ = unit_of_file;
            for (int i = 0; i < unit_of_file; ++i)
                if (std::abs(metres(static_cast<CadUnit>(i)) - *cad->unit_m) < 1e-12) unit_ = i;
        }
    }
    title_->setText(task.kind == PrepareTask::Kind::revise ? tr("Newer revision") : tr("Prepare drawing"));
    facts_->setText("  " + QString::fromStdString(file_.name) + "  ·  " + kind_words(file_));
    name_button();
    accept_->setEnabled(true);
    if (task.kind == PrepareTask::Kind::lay && !alike().empty()) like_ = 1;
    rebuild();
    canvas_->set_sheet(laid_now());
    show_size();
    canvas_->setFocus();
}

void PreparePage::name_button() {
    const Floor* floor = find_floor(workspace_.project(), task_.floor);
    accept_->setText(
        task_.kind == PrepareTask::Kind::lay
            ? tr("Lay under %1").arg(floor ? QString::fromStdString(floor->name) : tr("the floor"))
        : task_.kind == PrepareTask::Kind::revise ? tr("Use newer revision")
                                                  : tr("Apply"));
}

void PreparePage::rebuild() {
    fill_pages();
    fill_layers();
    if (form_) {
        form_->hide();
        form_->deleteLater();
    }
    form_ = new Form(workspace_, this);
    if (task_.kind != PrepareTask::Kind::revise) {
        if (task_.kind == PrepareTask::Kind::lay) add_scale(*form_);
    } else {
        form_->group(tr("Place and scale"));
        form_->note(
            tr("As the drawing whose place it takes: compare the two afterwards, and align it if the "
               "sheet was moved."));
    }
    add_look(*form_);
    const auto told = file_.sheet->left_out();
    if (!told.empty()) {
        form_->group(tr("Left out of the file"));
        QStringList lines;
        for (std::size_t i = 0; i < told.size() && i < 12; ++i) lines << said_text(told[i]);
        if (told.size() > 12) lines << tr("and %1 more").arg(told.size() - 12);
        form_->note(lines.join('\n'));
    }
    right_->insertWidget(1, form_);
}

void PreparePage::set_turn(double deg) {
    drawing_.placement.turn_deg = wrapped_deg(deg);
    refresh();
}

render::LaidSheet PreparePage::laid_now() const {
    Drawing d = drawing_;
    d.source = file_.source;
    return render::laid(d, file_.sheet);
}

void PreparePage::refresh() {
    if (!file_.sheet) return;
    canvas_->change(laid_now());
    if (form_) form_->refresh();
    show_size();
}

void PreparePage::show_size() {
    if (!file_.sheet) return;
    Drawing d = drawing_;
    d.source = file_.source;
    d.crop = canvas_->crop();
    double scale = metres_per_unit();
    if (task_.kind != PrepareTask::Kind::lay)
        if (const Floor* floor = find_floor(workspace_.project(), task_.floor))
            if (const Drawing* present = find_drawing(*floor, task_.drawing))
                scale = present->to_scale() ? present->placement.scale : 0;
    d.placement = {scale > 0 ? scale : 1, drawing_.placement.turn_deg, {}};
    const Box box = extent(d);
    const auto one = [&](double m) { return render::local(format_length(m, workspace_.units())); };
    size_->setText(
        scale > 0
            ? tr("<b>%1 × %2</b><br>what is shown, on the floor").arg(one(box.width()), one(box.height()))
            : tr("<b>No scale yet</b><br>It will lie %1 wide until a length is given.")
                  .arg(one(unknown_width_m)));
}

Drawing PreparePage::result() const {
    Drawing d = drawing_;
    d.source = file_.source;
    d.crop = canvas_->crop();
    d.name = file_.name;
    if (file_.sheet->pages() > 1)
        d.name = tr("%1, page %2")
                     .arg(QString::fromStdString(d.name), QString::number(file_.source.page + 1))
                     .toStdString();
    const double turn = drawing_.placement.turn_deg;
    const double scale = metres_per_unit();
    const auto others = alike();
    if (like_ > 0 && static_cast<std::size_t>(like_) <= others.size()) {
        d.placement = others[static_cast<std::size_t>(like_ - 1)]->placement;
        d.scale_by = ScaleBy::like_another;
        return d;
    }
    const Box& sheet = d.source.sheet;
    d.placement = first_placement(
        d, scale > 0 ? scale : unknown_width_m / std::max(sheet.width(), sheet.height()), turn);
    d.scale_by = scale <= 0           ? ScaleBy::none
                 : file_.sheet->cad() ? ScaleBy::file_units
                                      : ScaleBy::printed_ratio;
    return d;
}

void PreparePage::accept() {
    if (!file_.sheet || reading_) return;
    Prepared out{task_, file_, {}};
    const Floor* floor = find_floor(workspace_.project(), task_.floor);
    const Drawing* present = floor ? find_drawing(*floor, task_.drawing) : nullptr;
    if (task_.kind == PrepareTask::Kind::lay || !present) {
        out.drawing = result();
    } else {
        Drawing d = task_.kind == PrepareTask::Kind::revise ? revised(*present, file_.source, result().name)
                                                            : *present;
        // the look, the crop and the turn come from this page; the middle of what is shown stays
        d.source = file_.source;
        d.lighten = drawing_.lighten;
        d.inverted = drawing_.inverted;
        d.opacity = drawing_.opacity;
        const double turn = wrapped_deg(drawing_.placement.turn_deg - present->placement.turn_deg);
        if (turn != 0) d.placement = compose(about(extent(d).centre(), turn, 1), d.placement);
        d.crop = canvas_->crop();
        out.drawing = d;
    }
    emit prepared(out);
}

void PreparePage::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape) {
        emit left();
    } else if (e->key() == Qt::Key_Return && accept_->isEnabled()) {
        accept();
    } else if (e->key() == Qt::Key_C) {
        crop_button_->click();
    } else if (e->key() == Qt::Key_V) {
        level_button_->click();
    } else {
        QWidget::keyPressEvent(e);
    }
}

}  // namespace yemvo::app
